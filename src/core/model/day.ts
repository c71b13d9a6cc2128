/**
 * A day so many days after another.
 * @param on ISO date
 */
export function dayAfter(on: string, days: number): string {
  const day = new Date(`${on}T00:00:00Z`);
  day.setUTCDate(day.getUTCDate() + days);
  return day.toISOString().slice(0, 10);
}
