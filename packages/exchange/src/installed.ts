/** Path of a file of an installed package, for programs; a page is given its URL. */
export async function installed(file: string): Promise<string> {
  const { createRequire } = await import('node:module');
  return createRequire(import.meta.url).resolve(file);
}
