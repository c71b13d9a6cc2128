/** Typed arrays are written as `{"f64": [...]}`, missing samples as null; they keep seven digits. */
const TAGS = { f64: Float64Array, f32: Float32Array, u8: Uint8Array } as const;

/** For `JSON.stringify`. */
export function encodeSamples(_key: string, value: unknown): unknown {
  for (const [tag, type] of Object.entries(TAGS)) {
    if (value instanceof type) {
      return { [tag]: Array.from(value, (v) => (Number.isNaN(v) ? null : Number(v.toPrecision(7)))) };
    }
  }
  return value;
}

/** For `JSON.parse`. */
export function decodeSamples(_key: string, value: unknown): unknown {
  if (typeof value !== 'object' || value === null) return value;
  const keys = Object.keys(value);
  const tag = keys[0] as keyof typeof TAGS;
  if (keys.length !== 1 || !Object.hasOwn(TAGS, tag)) return value;
  const samples = (value as Record<string, unknown>)[tag];
  if (!Array.isArray(samples)) return value;
  return TAGS[tag].from(samples.map((v) => (typeof v === 'number' ? v : NaN)));
}
