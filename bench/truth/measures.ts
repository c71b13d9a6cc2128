import { todaysMeasure } from '../../src/core/model/earlier-measures';
import { measureSchema, type Measure } from '../../src/core/model/measure';
import { movementOf } from '../../src/movements';
import type { MadeMovement } from './population';

const common = { name: 'x', region: 'legs', plane: 'sagittal', importance: 0.5, cost: 'weeks' } as const;
const make = (id: string, measure: object): Measure =>
  measureSchema.parse(todaysMeasure({ id: `more-${id}`, ...common, ...measure }));
const KNEE = { type: 'joint-angle', points: ['dominant-hip', 'dominant-knee', 'dominant-ankle'] } as const;
const THIGH = { type: 'segment-angle', points: ['dominant-hip', 'dominant-knee'], against: 'down' } as const;

/** Kinds that the movements have few or none of, from their first to their last moment. */
export function more(from: string, to: string): readonly Measure[] {
  const phase = { from, to };
  return [
    make('extreme', { kind: 'extreme', of: KNEE, which: 'smallest', ...phase }),
    make('extreme-time', { kind: 'extreme', of: THIGH, which: 'largest', output: 'time', ...phase }),
    make('range', { kind: 'range', of: KNEE, ...phase }),
    make('peak-rate', { kind: 'peak-rate', of: KNEE, direction: 'rising', ...phase }),
    make('turn', {
      kind: 'rotation',
      of: { type: 'segment-angle', points: ['dominant-hip', 'dominant-ankle'], against: 'down' },
      ...phase,
    }),
    make('lag', { kind: 'lag', first: KNEE, second: THIGH, event: 'smallest', ...phase }),
    make('order', {
      kind: 'order',
      steps: [
        { name: 'thigh', of: THIGH, event: 'peak-rate' },
        { name: 'knee', of: KNEE, event: 'peak-rate' },
      ],
      ...phase,
    }),
    make('count', {
      kind: 'count',
      occurrence: { type: 'crossing', of: KNEE, level: 140, direction: 'falling' },
      ...phase,
    }),
    make('split', { kind: 'split', plane: 'any', ...phase }),
    make('path-length', { kind: 'path', point: 'dominant-ankle', relativeTo: 'mid-hip', what: 'length', ...phase }),
    make('path-straightness', { kind: 'path', point: 'mid-hip', what: 'straightness', ...phase }),
    make('path-sideways', { kind: 'path', point: 'dominant-ankle', relativeTo: 'mid-hip', what: 'sideways', ...phase }),
    make('path-angle', {
      kind: 'path-angle',
      point: 'dominant-wrist',
      relativeTo: 'mid-hip',
      take: 'end',
      against: 'up',
      ...phase,
    }),
    make('path-angle-start', { kind: 'path-angle', point: 'mid-hip', take: 'start', against: 'forward', ...phase }),
    make('path-angle-whole', { kind: 'path-angle', point: 'mid-hip', take: 'whole', against: 'forward', ...phase }),
    make('speed', { kind: 'speed', point: 'mid-hip', along: 'forward', ...phase }),
    make('speed-hand', { kind: 'speed', point: 'dominant-wrist', along: 'straight', ...phase }),
    make('speed-time', { kind: 'speed', point: 'dominant-ankle', along: 'straight', output: 'time', ...phase }),
    make('steadiness', { kind: 'dispersion', point: 'nose', relativeTo: 'mid-hip', ...phase }),
    make('stop', { kind: 'dwell', point: 'dominant-heel', slower: 0.8, ...phase }),
    make('evenness', { kind: 'symmetry', of: KNEE, at: from }),
    make('height', { kind: 'value', of: { type: 'height', point: 'mid-hip' }, at: to }),
    make('distance', {
      kind: 'value',
      of: { type: 'distance', points: ['dominant-ankle', 'opposite-ankle'] },
      at: from,
    }),
    make('distance-m', {
      kind: 'value',
      of: { type: 'distance', points: ['dominant-ankle', 'opposite-ankle'] },
      at: from,
      lengthIn: 'm',
    }),
    make('fold', {
      kind: 'value',
      of: { type: 'relative-inertia', points: ['dominant-hip', 'dominant-knee', 'dominant-ankle'], limb: 'leg' },
      at: to,
    }),
  ];
}

/** The measures of a movement that a camera at its side shows, and one of every other kind. */
export function measuresFor(id: MadeMovement): readonly Measure[] {
  const movement = movementOf(id)!;
  const shown = movement.measures.filter(
    (m) => m.kind !== 'checkpoint' && m.kind !== 'facing-by-eye' && (m.plane === 'sagittal' || m.plane === 'any'),
  );
  return [...shown, ...more(movement.moments[0]!.id, movement.moments.at(-1)!.id)];
}
