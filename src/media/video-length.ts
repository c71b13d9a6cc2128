/** A browser that has not told the length in this time will not, ms. */
const PATIENCE = 10_000;

/**
 * How long a video plays, seconds, as the browser says without reading through it; null where it does not say, or cannot
 * play it.
 */
export function videoLength(file: File): Promise<number | null> {
  const element = document.createElement('video');
  const address = URL.createObjectURL(file);
  return new Promise<number | null>((resolve) => {
    element.preload = 'metadata';
    element.onloadedmetadata = () => resolve(Number.isFinite(element.duration) ? element.duration : null);
    element.onerror = () => resolve(null);
    setTimeout(() => resolve(null), PATIENCE);
    element.src = address;
  }).finally(() => {
    element.removeAttribute('src');
    element.load();
    URL.revokeObjectURL(address);
  });
}
