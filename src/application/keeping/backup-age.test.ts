import { backupDue } from './backup-age';

const on = (day: string): { updatedAt: string } => ({ updatedAt: `2026-03-${day}T10:00:00.000Z` });
const now = '2026-03-30T12:00:00.000Z';

test('a backup is due for what was changed since the last one, once that is two weeks old', () => {
  const sessions = [on('02'), on('12'), on('28')];
  expect(backupDue(sessions, '2026-03-10T00:00:00.000Z', now)).toEqual({ changed: 2, days: 20 });
  expect(backupDue(sessions, '2026-03-20T00:00:00.000Z', now)).toBeNull();
  expect(backupDue(sessions, '2026-03-29T00:00:00.000Z', now)).toBeNull();
  expect(backupDue([on('02')], '2026-03-10T00:00:00.000Z', now)).toBeNull();
});

test('work that no backup ever held is due when the first of it is two weeks old', () => {
  expect(backupDue([on('28')], null, now)).toBeNull();
  expect(backupDue([on('10'), on('28')], null, now)).toEqual({ changed: 2, days: null });
  expect(backupDue([], null, now)).toBeNull();
});

test('a damaged session that has lost its time does not hide that the others are due', () => {
  expect(backupDue([{ updatedAt: '' }, on('10')], null, now)).toEqual({ changed: 2, days: null });
});
