/** Where a file of an installed package lies, for a program: a page is given its address. */
export async function installed(file: string): Promise<string> {
  const { createRequire } = await import('node:module');
  return createRequire(import.meta.url).resolve(file);
}
