declare module 'heic-decode' {
  export interface Unpacked {
    readonly width: number;
    readonly height: number;
    /** Red, green, blue and cover, a byte each. */
    readonly data: Uint8ClampedArray;
  }
  interface Packed {
    readonly width: number;
    readonly height: number;
    decode(): Promise<Unpacked>;
  }
  const one: (asked: { readonly buffer: Uint8Array }) => Promise<Unpacked>;
  export default one;
  export const all: (asked: {
    readonly buffer: Uint8Array;
  }) => Promise<readonly Packed[] & { readonly dispose: () => void }>;
}
