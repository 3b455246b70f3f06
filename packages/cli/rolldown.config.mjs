export default {
  input: { keen: 'src/main.ts' },
  platform: 'node',
  tsconfig: './tsconfig.json',
  external: (id) => id.startsWith('node:'),
  output: { dir: 'dist', format: 'esm', sourcemap: false, cleanDir: true },
};
