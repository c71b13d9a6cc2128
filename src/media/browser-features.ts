/** The smallest module with a SIMD instruction (i8x16.splat), which only engines that have them accept. */
const SIMD = Uint8Array.of(
  0,
  97,
  115,
  109,
  1,
  0,
  0,
  0,
  1,
  5,
  1,
  96,
  0,
  1,
  123,
  3,
  2,
  1,
  0,
  10,
  8,
  1,
  6,
  0,
  65,
  0,
  253,
  15,
  11,
);

/** What the application needs of a browser and this one does not have, in words; empty where all is there. */
export function missingFeatures(has: typeof globalThis = globalThis): readonly string[] {
  const simd = 'WebAssembly' in has && has.WebAssembly.validate(SIMD);
  return [
    ...('indexedDB' in has ? [] : ['a database (IndexedDB): nothing could be kept']),
    ...('VideoDecoder' in has ? [] : ['WebCodecs: videos cannot be shown frame by frame']),
    ...('OffscreenCanvas' in has ? [] : ['OffscreenCanvas: pictures cannot be prepared']),
    ...(simd ? [] : ['WebAssembly with SIMD: points cannot be detected']),
  ];
}
