import regular from '@fontsource/public-sans/400.css?inline';
import semibold from '@fontsource/public-sans/600.css?inline';
import bold from '@fontsource/public-sans/700.css?inline';

async function dataAddress(address: string): Promise<string> {
  const blob = await (await fetch(address)).blob();
  return new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as string);
    reader.onerror = () => reject(reader.error!);
    reader.readAsDataURL(blob);
  });
}

const FONT_FILE = /url\(["']?([^"')]+\.woff2)["']?\)/;

/**
 * The font of the application in fixed weights, with its files in it: a PDF holds outlines of a font that varies as
 * drawings only, which screens show worse.
 */
async function fontFaces(): Promise<string> {
  const faces = [regular, semibold, bold].flatMap((sheet) => sheet.match(/@font-face\s*{[^}]*}/g) ?? []);
  const inlined = faces.map(async (face) => {
    const address = FONT_FILE.exec(face)![1]!;
    return face
      .replace(/src:[^;}]*/, `src:url(${await dataAddress(address)}) format('woff2')`)
      .replace(/font-family:[^;}]*/, "font-family:'Public Sans Variable'")
      .replace(/font-display:[^;}]*;?/, '');
  });
  return (await Promise.all(inlined)).join('\n');
}

const pageStyles = (): string =>
  [...document.styleSheets]
    .flatMap((sheet) => [...sheet.cssRules])
    .filter((rule) => !(rule instanceof CSSFontFaceRule))
    .map((rule) => rule.cssText)
    .join('\n');

/** Resolves once no part of an element is still being made. */
const whenReady = (element: HTMLElement, signal: AbortSignal): Promise<void> =>
  new Promise((resolve, reject) => {
    const look = (): void => {
      if (!signal.aborted && element.querySelector('[aria-busy="true"]')) return;
      observer.disconnect();
      if (signal.aborted) reject(signal.reason as Error);
      else resolve();
    };
    const observer = new MutationObserver(look);
    observer.observe(element, { subtree: true, childList: true, attributeFilter: ['aria-busy'] });
    signal.addEventListener('abort', look, { once: true });
    look();
  });

const escaped = (text: string): string => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;');

/**
 * A part of the page as an HTML document that needs nothing else: styles, fonts and pictures are in it, and what is not
 * for paper is left out.
 */
export async function paperDocument(part: HTMLElement, title: string, signal: AbortSignal): Promise<string> {
  await whenReady(part, signal);
  const copy = part.cloneNode(true) as HTMLElement;
  copy.querySelectorAll('.no-print').forEach((element) => element.remove());
  for (const picture of copy.querySelectorAll('img')) picture.src = await dataAddress(picture.src);
  return (
    `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>${escaped(title)}</title>` +
    `<style>${await fontFaces()}\n${pageStyles().replaceAll('</', '<\\/')}</style></head>` +
    `<body>${copy.outerHTML}</body></html>`
  );
}
