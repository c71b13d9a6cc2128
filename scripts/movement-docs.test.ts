import { readFileSync } from 'node:fs';
import path from 'node:path';
import { WRITTEN } from './movement-docs';

test.each(Object.entries(WRITTEN))(
  'docs/%s is what the registries say (npx tsx scripts/movement-docs.ts)',
  (name, write) => {
    expect(readFileSync(path.join(import.meta.dirname, '..', 'docs', name), 'utf8')).toBe(write());
  },
);
