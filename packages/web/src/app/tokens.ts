/** Every color of the product, once, by its meaning. contrast.test.ts holds the pairs in use to 4.5:1. */
export interface Tokens {
  readonly paper: string;
  readonly sheet: string;
  readonly ink: string;
  readonly pencil: string;
  readonly hairline: string;
  readonly border: string;
  readonly chalk: string;
  readonly chalkSoft: string;
  readonly ochre: string;
  readonly ochreSoft: string;
  readonly madder: string;
  readonly madderSoft: string;
  readonly sage: string;
  readonly sageSoft: string;
  readonly birch: string;
  readonly birchInk: string;
  readonly birchSoft: string;
  readonly edge: string;
  readonly wall: string;
  readonly wallboard: string;
  readonly onInk: string;
  /** At the bench, in daylight and dust. */
  readonly benchPaper: string;
  readonly benchInk: string;
  readonly benchPencil: string;
}

export const LIGHT: Tokens = {
  paper: '#f4f0e6',
  sheet: '#fbf9f3',
  ink: '#20272b',
  pencil: '#59625f',
  hairline: '#d8d0bd',
  border: '#82877e',
  chalk: '#1b5a9c',
  chalkSoft: '#dfe9f4',
  ochre: '#7a4f00',
  ochreSoft: '#f7e9c9',
  madder: '#a3312a',
  madderSoft: '#f6ddd6',
  sage: '#3c6a4e',
  sageSoft: '#dfeadf',
  birch: '#ead9b3',
  birchInk: '#20272b',
  birchSoft: '#f3ead3',
  edge: '#b99a5f',
  wall: '#e3d0a4',
  wallboard: '#ddd6c6',
  onInk: '#fbf9f3',
  benchPaper: '#ffffff',
  benchInk: '#0b0e10',
  benchPencil: '#3c4442',
};

export const DARK: Tokens = {
  paper: '#1a1f22',
  sheet: '#22282b',
  ink: '#eee8da',
  pencil: '#b3b8b0',
  hairline: '#3b4346',
  border: '#8b918a',
  chalk: '#8fc1f2',
  chalkSoft: '#243a50',
  ochre: '#f0c15c',
  ochreSoft: '#41351c',
  madder: '#f5a08f',
  madderSoft: '#4b2722',
  sage: '#93cba6',
  sageSoft: '#243b2d',
  birch: '#5f5137',
  birchInk: '#f5eedd',
  birchSoft: '#2f2b22',
  edge: '#a98e58',
  wall: '#4d4330',
  wallboard: '#3a3c3a',
  onInk: '#1a1f22',
  benchPaper: '#000000',
  benchInk: '#ffffff',
  benchPencil: '#cfd4cc',
};

export const cssVariables = (tokens: Tokens): string =>
  Object.entries(tokens)
    .map(([name, value]) => `--${name}:${value};`)
    .join('');
