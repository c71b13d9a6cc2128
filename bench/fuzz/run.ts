import { availableParallelism } from 'node:os';
import { Worker } from 'node:worker_threads';
import { printFigures, round, type Figure } from '../figure';
import type { Tally } from './thread';

/**
 * Changed files against every reader: none throws or takes long, a refusal has words, and what is accepted can be
 * used, saved and opened again. FUZZ_INPUTS sets how many for each reader, FUZZ_READER takes one alone.
 */
const INPUTS = Number(process.env['FUZZ_INPUTS'] ?? 100_000);
/** A small file that takes longer would freeze a screen, ms; a busy machine has room in it. */
const LONG = 2000;

const START =
  "import('tsx/esm/api').then(({ register }) => { register(); return " +
  `import(${JSON.stringify(new URL('./thread.ts', import.meta.url).href)}); })`;

const tallies: Tally[] = [];
const threads = availableParallelism();
await Promise.all(
  Array.from(
    { length: threads },
    (_, i) =>
      new Promise<void>((resolve, reject) => {
        const share = { first: Math.floor((i * INPUTS) / threads), last: Math.floor(((i + 1) * INPUTS) / threads) };
        const worker = new Worker(START, {
          eval: true,
          workerData: { ...share, only: process.env['FUZZ_READER'] ?? null },
        });
        worker.on('message', (tally: Tally) => tallies.push(tally));
        worker.on('error', reject);
        worker.on('exit', () => resolve());
      }),
  ),
);

const figures = [...new Set(tallies.map(({ reader }) => reader))].flatMap((reader): Figure[] => {
  const own = tallies.filter((tally) => tally.reader === reader);
  const sum = (of: (tally: Tally) => number): number => own.reduce((all, tally) => all + of(tally), 0);
  for (const fault of own.flatMap(({ faults }) => faults)) console.log(`${reader}, input ${fault}\n`);
  const inputs = sum((t) => t.inputs);
  const slowest = Math.max(...own.map(({ slowestMs }) => slowestMs));
  if (slowest > LONG) console.log(`${reader}: slowest is input ${own.find((t) => t.slowestMs === slowest)!.slowest}\n`);
  const against = `${inputs} changed files, ${round((100 * sum((t) => t.accepted)) / inputs, 1)} % accepted`;
  const line = (figure: string, value: number, unit: string, goal: string, holds: boolean): Figure => ({
    ...{ bench: 'fuzz', figure: `${reader}: ${figure}`, value, unit, against, goal, holds },
  });
  const faulty = sum((t) => t.faulty);
  return [
    line('thrown, or accepted and not usable', faulty, 'files', '0', faulty === 0),
    line('slowest', round(slowest, 0), 'ms', `< ${LONG}`, slowest < LONG),
  ];
});
printFigures(figures);
