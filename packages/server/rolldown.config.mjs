// Bundles server and core source; decorator metadata is kept. Packages stay outside, but for the runtime helpers of the bundler.
export default {
  input: {
    main: 'src/main.ts',
    'nest.worker': 'src/features/nesting/nest.worker.ts',
    'set.worker': 'src/features/prints/set.worker.ts',
    'heavy.worker': 'src/heavy/heavy.worker.ts',
    'stud-scanner': 'src/devices/stud-scanner/main.ts',
    caliper: 'src/devices/caliper/main.ts',
    scale: 'src/devices/scale/main.ts',
    merchant: 'src/devices/merchant/main.ts',
    'label-printer': 'src/devices/label-printer/main.ts',
  },
  platform: 'node',
  tsconfig: './tsconfig.json',
  external: (id) => !id.startsWith('.') && !id.startsWith('/') && !id.startsWith('@keen/') && !id.startsWith('@oxc-project/'),
  output: { dir: 'dist', format: 'esm', sourcemap: true, cleanDir: true },
};
