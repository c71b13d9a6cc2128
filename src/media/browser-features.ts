import { TEXT } from '../text/media';

/** The smallest module with a SIMD instruction (i8x16.splat), which only engines that have them accept. */
const SIMD = Uint8Array.from(
  '0 97 115 109 1 0 0 0 1 5 1 96 0 1 123 3 2 1 0 10 8 1 6 0 65 0 253 15 11'.split(' '),
  Number,
);
/** Frames that are near are kept decoded, and both detectors' weights are loaded, GB. */
const LEAST_MEMORY = 2;

/** What the application needs of a browser and this one does not have, in words; empty where all is there. */
export function missingFeatures(has: typeof globalThis = globalThis): readonly string[] {
  const simd = 'WebAssembly' in has && has.WebAssembly.validate(SIMD);
  // Only some browsers tell, and none more than 8.
  const memory = (has.navigator as { deviceMemory?: number } | undefined)?.deviceMemory ?? LEAST_MEMORY;
  return [
    ...('indexedDB' in has ? [] : [TEXT.databaseIndexedDbNothingCould]),
    ...('VideoDecoder' in has ? [] : [TEXT.webCodecsVideosCannot]),
    ...('OffscreenCanvas' in has ? [] : [TEXT.offscreenCanvasPicturesCannot]),
    ...(simd ? [] : [TEXT.webAssemblyWithSimdPoints]),
    ...(memory >= LEAST_MEMORY ? [] : [TEXT.memoryGbOfLongClips(memory, LEAST_MEMORY)]),
  ];
}

/** Whether this browser can encode speech with a codec. */
export async function canEncodeSound(codec: string): Promise<boolean> {
  if (typeof AudioEncoder === 'undefined') return false;
  const config = { codec, sampleRate: 48_000, numberOfChannels: 1 };
  const { supported } = await AudioEncoder.isConfigSupported(config).catch(() => ({ supported: false }));
  return supported === true;
}
