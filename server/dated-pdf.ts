const DATE = /\/(CreationDate|ModDate) \(D:\d{14}([+-]\d{2}'\d{2}'|Z)\)/g;

/**
 * A PDF that states another day as the one it was made on, at noon UTC (ISO 32000-1, 7.9.4). Dates keep their length,
 * so that no offset in the file changes.
 * @param on `YYYY-MM-DD`
 */
export function datedPdf(pdf: Buffer, on: string): Buffer {
  const text = pdf.toString('latin1').replace(DATE, (_all, name: string, zone: string) => {
    const stated = zone === 'Z' ? 'Z' : "+00'00'";
    return `/${name} (D:${on.replaceAll('-', '')}120000${stated})`;
  });
  return Buffer.from(text, 'latin1');
}
