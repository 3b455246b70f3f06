/** What of these libraries is used, as far as their own types are not found. */
declare module '@mapbox/shelf-pack' {
  export default class ShelfPack {
    constructor(width: number, height: number);
    packOne(width: number, height: number): { readonly x: number; readonly y: number } | null;
  }
}

declare module 'binpackingjs/2d' {
  export function pack2D(job: {
    readonly bins: readonly { readonly width: number; readonly height: number }[];
    readonly boxes: readonly { readonly width: number; readonly height: number; readonly constrainRotation: boolean }[];
  }): {
    readonly packedBins: readonly { readonly boxes: readonly { readonly x: number; readonly y: number; readonly width: number; readonly height: number }[] }[];
  };
}
