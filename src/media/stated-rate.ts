import type { Input } from 'mediabunny';

/**
 * Metadata by which phones state the rate at which slow motion was taken (from memory: the key that Android's recorder
 * writes).
 */
const CAPTURE_RATE_KEYS = ['com.android.capture.fps'];
const PLAUSIBLE_RATES = { least: 1, most: 100_000 };

/** Frames per second that a file says its camera took; null where it does not say. */
export async function statedCaptureRate(input: Input): Promise<number | null> {
  const { raw } = await input.getMetadataTags().catch(() => ({ raw: undefined }));
  for (const key of CAPTURE_RATE_KEYS) {
    const value = raw?.[key];
    // Written as text, or as a 32-bit big-endian number.
    const rate =
      typeof value === 'string'
        ? Number(value)
        : value instanceof Uint8Array && value.byteLength === 4
          ? new DataView(value.buffer, value.byteOffset).getFloat32(0)
          : NaN;
    if (rate >= PLAUSIBLE_RATES.least && rate <= PLAUSIBLE_RATES.most) return Math.round(rate * 1000) / 1000;
  }
  return null;
}
