/** Settings of the server, from the environment that bin/start and the tests set. */
export interface ServerConfig {
  readonly port: number;
  readonly database: { readonly port: number; readonly name: string; readonly user: string; readonly password: string };
  /** Built web application; undefined serves the API alone. */
  readonly webRoot: string | undefined;
  readonly examples: string;
  /** Where files are kept that are not in the database: pictures, certificates. */
  readonly dataFolder: string;
  /** A LAN address and port to be reached at over HTTPS too; undefined: loopback alone. */
  readonly share: { readonly host: string; readonly port: number } | undefined;
  /** Where a caliper listens on loopback; undefined when there is none. */
  readonly caliperPort: number | undefined;
  /** Where a scale listens on loopback; undefined when there is none. */
  readonly scalePort: number | undefined;
  /** Where a stud scanner listens on loopback; undefined when there is none. */
  readonly scannerPort: number | undefined;
  /** Where a sheet merchant answers on loopback; undefined when there is none. */
  readonly merchantPort: number | undefined;
  /** Where a label printer answers on loopback; undefined when there is none. */
  readonly printerPort: number | undefined;
  /** Whether simulated devices can be made to fail: where the product is shown or tested. */
  readonly faultSwitches: boolean;
  /** Further hosts a page may be served under, such as the hot-reload server's. */
  readonly origins: readonly string[];
}

/** Token of the data folder, for what keeps files in it. */
export const DATA_FOLDER = Symbol('data folder');

export function configFrom(env: NodeJS.ProcessEnv): ServerConfig {
  const port = (name: string): number => {
    const value = Number(env[name]);
    if (!Number.isInteger(value) || value < 1 || value > 65535) throw new Error(`${name} must be a port from 1 to 65535, not '${env[name] ?? ''}'`);
    return value;
  };
  const needed = (name: string): string => {
    const value = env[name];
    if (!value) throw new Error(`${name} is not set`);
    return value;
  };
  return {
    port: port('KEEN_PORT'),
    database: { port: port('KEEN_DB_PORT'), name: needed('KEEN_DB_NAME'), user: needed('KEEN_DB_USER'), password: env['KEEN_DB_PASSWORD'] ?? '' },
    webRoot: env['KEEN_WEB_ROOT'] || undefined,
    examples: needed('KEEN_EXAMPLES'),
    dataFolder: needed('KEEN_DATA'),
    share: env['KEEN_SHARE_HOST'] ? { host: env['KEEN_SHARE_HOST'], port: port('KEEN_SHARE_PORT') } : undefined,
    caliperPort: env['KEEN_CALIPER_PORT'] ? port('KEEN_CALIPER_PORT') : undefined,
    scalePort: env['KEEN_SCALE_PORT'] ? port('KEEN_SCALE_PORT') : undefined,
    scannerPort: env['KEEN_SCANNER_PORT'] ? port('KEEN_SCANNER_PORT') : undefined,
    merchantPort: env['KEEN_MERCHANT_PORT'] ? port('KEEN_MERCHANT_PORT') : undefined,
    printerPort: env['KEEN_PRINTER_PORT'] ? port('KEEN_PRINTER_PORT') : undefined,
    faultSwitches: env['KEEN_FAULT_SWITCHES'] === '1',
    origins: (env['KEEN_ORIGINS'] ?? '').split(',').filter(Boolean),
  };
}
