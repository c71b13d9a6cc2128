import type { MovementDocument } from '../core/model/movement';
import { momentKey } from './moment-key';
import { like } from './like';

/** Where the hurdles of both sprint races stand, metres. Published: World Athletics technical rules, hurdle races. */
export const HURDLE_RACES = {
  'women-100': { toFirst: 13, between: 8.5, toFinish: 10.5, hurdles: 10, height: 0.838, distance: 100 },
  'men-110': { toFirst: 13.72, between: 9.14, toFinish: 14.02, hurdles: 10, height: 1.067, distance: 110 },
} as const;

/** Sprint hurdles, seen from the side of one hurdle; the leading leg is the one of the dominant side. */
export const sprintHurdles: MovementDocument = {
  schemaVersion: 1,
  id: 'sprint-hurdles',
  name: 'Hurdle clearance',
  sport: 'Athletics',
  knownLengths: [
    { name: 'Height of the hurdle, women 100 m (World Athletics)', metres: HURDLE_RACES['women-100'].height },
    { name: 'Height of the hurdle, men 110 m (World Athletics)', metres: HURDLE_RACES['men-110'].height },
    { name: 'Hurdle to hurdle, women 100 m (World Athletics)', metres: HURDLE_RACES['women-100'].between },
    { name: 'Hurdle to hurdle, men 110 m (World Athletics)', metres: HURDLE_RACES['men-110'].between },
    { name: 'Width of a lane (World Athletics)', metres: 1.22 },
  ],
  sheet: {
    name: 'Clearance check',
    source: 'analyst\u2019s choice, against the reference',
    criteria: [
      { id: 'take-off', name: 'Take-off at its distance', measure: 'take-off-distance', must: true, points: 2 },
      { id: 'short-flight', name: 'Short in the air', measure: 'flight-time', must: true, points: 2 },
      { id: 'lean', name: 'Trunk over the leading leg', measure: 'trunk-over-hurdle', must: false, points: 1 },
      { id: 'low', name: 'Low over the bar', measure: 'hips-over-hurdle', must: false, points: 1 },
      { id: 'lands-running', name: 'Lands on the run', measure: 'landing-under', must: true, points: 2 },
      { id: 'trail', name: 'Trailing leg folded', measure: 'trail-folded', must: false, points: 1 },
    ],
    gates: [{ needs: ['take-off', 'short-flight', 'lands-running'], most: 5, because: 'a clearance that does not run on is not above five' }],
  },
  points: [{ id: 'own-hurdle', name: 'Top of the hurdle', look: 'The middle of the upper edge of the bar, where the lane crosses it.' }],
  moments: [
    { id: 'take-off-contact', name: 'Take-off foot down', key: '1', look: 'First frame in which the foot that pushes off touches the ground before the hurdle.', frame: 'first', rule: { rule: 'contact', side: 'opposite', edge: 'touch-down', take: 'last', before: 'take-off' } },
    { id: 'take-off', name: 'Take-off', key: '2', look: 'Last frame in which the toe of the pushing foot is on the ground.', frame: 'last', rule: { rule: 'contact', side: 'opposite', edge: 'lift-off', take: 'last', before: 'highest' } },
    { id: 'highest', name: 'Over the hurdle', key: '3', look: 'The hips are highest.', rule: { rule: 'extreme', of: { q: 'height', point: 'mid-hip' }, which: 'largest', flight: 0.12 } },
    { id: 'touch-down', name: 'Touch-down', key: '4', look: 'First frame in which the leading foot touches the ground behind the hurdle.', frame: 'first', rule: { rule: 'contact', side: 'dominant', edge: 'touch-down', take: 'first', after: 'highest' } },
    { id: 'running-off', name: 'Landing foot leaves', key: '5', look: 'Last frame in which the toe of the leading foot is on the ground.', frame: 'last', rule: { rule: 'contact', side: 'dominant', edge: 'lift-off', take: 'first', after: 'touch-down' } },
  ],
  phases: [
    { from: 'take-off-contact', to: 'take-off', name: 'Push-off' },
    { from: 'take-off', to: 'highest', name: 'Rise' },
    { from: 'highest', to: 'touch-down', name: 'Descent' },
    { from: 'touch-down', to: 'running-off', name: 'Landing step' },
  ],
  measures: [
    { id: 'push-off-time', name: 'Push-off', kind: 'duration', region: 'timing', plane: 'any', from: 'take-off-contact', to: 'take-off', target: like(12), margin: 6, importance: 0.6, cost: 'weeks',
      coaching: {
        seenLow: 'The take-off foot is on the ground very shortly', seenHigh: 'The take-off foot stays on the ground long',
        why: 'Time on the ground before the hurdle is speed that is lost for a jump.',
        cue: 'Off the ground fast.',
        drills: ['Fast steps on the spot, then one step over a line', 'Three steps to a low hurdle, quick last contact', 'Five steps at training height'],
      },
    },
    {
      id: 'flight-time', name: 'In the air', kind: 'duration', region: 'timing', plane: 'any', from: 'take-off', to: 'touch-down', target: like(20), margin: 8, importance: 0.9, cost: 'weeks',
      coaching: {
        seenLow: 'The flight is shorter than the reference\u2019s', seenHigh: 'The flight over the hurdle is long',
        why: 'In the air nobody accelerates: every hundredth over the hurdle is lost for running.',
        cue: 'Run through the hurdle, knee up and down again.',
        drills: ['Walk over low hurdles, leading leg snapping down', 'Run over low hurdles with five steps between', 'Race height and spacing'],
        selfCheck: 'Side camera at hurdle height; count the frames from the last contact before to the first behind the hurdle.',
      },
    },
    { id: 'landing-time', name: 'Landing step', kind: 'duration', region: 'timing', plane: 'any', from: 'touch-down', to: 'running-off', target: like(12), margin: 6, importance: 0.6, cost: 'weeks',
      coaching: {
        seenLow: 'The first step after the hurdle is very short', seenHigh: 'The landing foot stays on the ground long',
        why: 'Who stands on the landing foot starts the next interval again.',
        cue: 'Land and go.',
        drills: ['Step down from a low box and run off', 'One low hurdle and five quick steps', 'Three hurdles at shortened spacing'],
      },
    },
    { id: 'take-off-distance', name: 'Take-off before the hurdle', kind: 'value', region: 'legs', plane: 'sagittal', of: { q: 'offset', points: ['own-hurdle', 'opposite-foot-index'], axis: 'forward' }, at: 'take-off', lengthIn: 'm', target: like(0.15), margin: 0.05, importance: 0.9, cost: 'weeks',
      coaching: {
        seenLow: 'The take-off is too close to the hurdle', seenHigh: 'The take-off is too far from the hurdle',
        why: 'Who takes off close has to jump up, is long in the air and lands far behind; a flat clearance begins farther away.',
        cue: 'Attack early: push off at the mark and run over it.',
        drills: ['Chalk mark where the reference takes off, step over a low hurdle from it', 'Five steps to one low hurdle, foot on the mark', 'Three hurdles at training height and shortened spacing'],
        selfCheck: 'Side camera at hurdle height with the bar in the picture; measure from the toe at take-off to the bar.',
      },
    },
    { id: 'landing-distance', name: 'Landing behind the hurdle', kind: 'value', region: 'legs', plane: 'sagittal', of: { q: 'offset', points: ['dominant-foot-index', 'own-hurdle'], axis: 'forward' }, at: 'touch-down', lengthIn: 'm', target: like(0.15), margin: 0.05, importance: 0.7, cost: 'weeks',
      coaching: {
        seenLow: 'The landing is close behind the hurdle', seenHigh: 'The landing is far behind the hurdle',
        why: 'A landing far behind means a long flight and a short first step.',
        cue: 'Leading leg down behind the bar.',
        drills: ['Walk over low hurdles and snap the leading leg down', 'One-step clearance, landing on a mark', 'Three hurdles, quick first step'],
        selfCheck: 'Side camera at hurdle height; measure from the bar to the toe at touch-down.',
      },
    },
    { id: 'hips-over-hurdle', name: 'Hips above the hurdle', kind: 'value', region: 'hips', plane: 'sagittal', of: { q: 'offset', points: ['mid-hip', 'own-hurdle'], axis: 'up' }, at: 'highest', lengthIn: 'm', target: like(0.06), margin: 0.02, importance: 0.8, cost: 'season', risk: 'hurdle-fall',
      coaching: {
        seenLow: 'The hips are close to the bar', seenHigh: 'The hips go high over the bar',
        why: 'Each centimetre up is time in the air; too low strikes the bar.',
        cue: 'Run through it, head level.',
        drills: ['Walk-overs at the side of the hurdle, head at one height', 'Low hurdles with a string at head height beside them', 'Training height, only once it stays clear'],
        selfCheck: 'Side camera at hurdle height; read the hips above the bar when they are highest.',
      },
    },
    { id: 'trunk-at-take-off', name: 'Trunk lean', kind: 'value', region: 'trunk', plane: 'sagittal', of: { q: 'segment-angle', points: ['mid-hip', 'mid-shoulder'], against: 'up' }, at: 'take-off', target: like(6), margin: 3, importance: 0.6, cost: 'weeks',
      coaching: {
        seenLow: 'The trunk is upright at take-off', seenHigh: 'The trunk is far forward at take-off',
        why: 'The lean over the hurdle begins here: upright goes up, too far forward falls into the bar.',
        cue: 'Chest goes with the knee.',
        drills: ['Lean into a wall from the take-off position', 'Three steps, lean and step over a low hurdle', 'Five steps at training height'],
      },
    },
    {
      id: 'trunk-over-hurdle', name: 'Trunk lean', kind: 'value', region: 'trunk', plane: 'sagittal', of: { q: 'segment-angle', points: ['mid-hip', 'mid-shoulder'], against: 'up' }, at: 'highest', target: like(6), margin: 3, importance: 0.8, cost: 'weeks',
      coaching: {
        seenLow: 'The trunk stays upright over the hurdle', seenHigh: 'The trunk folds too far over the leading leg',
        why: 'A trunk that leans over the leading leg keeps the hips low without a high jump.',
        cue: 'Chest to the knee, then run off.',
        drills: ['Sit on the ground in the clearance position and reach', 'Walk-over of a low hurdle, chest to the knee', 'One step, three low hurdles'],
        selfCheck: 'Side camera at hurdle height; read the trunk when the hips are highest.',
      },
    },
    { id: 'lead-knee-at-take-off', name: 'Leading knee', kind: 'value', region: 'legs', plane: 'sagittal', of: { q: 'joint-angle', points: ['dominant-hip', 'dominant-knee', 'dominant-ankle'] }, at: 'take-off', target: like(12), margin: 4, importance: 0.6, cost: 'weeks',
      coaching: {
        seenLow: 'The leading leg is folded tightly', seenHigh: 'The leading leg is straight at take-off',
        why: 'A folded leg comes up fast; a straight one swings slowly and in a curve.',
        cue: 'Knee first, heel under you.',
        drills: ['Knee up to a wall, heel to the seat', 'March, skip, then run over low hurdles beside the trailing leg', 'Training height'],
      },
    },
    { id: 'lead-thigh-at-take-off', name: 'Leading thigh', kind: 'value', region: 'legs', plane: 'sagittal', of: { q: 'segment-angle', points: ['dominant-hip', 'dominant-knee'], against: 'down' }, at: 'take-off', target: like(8), margin: 3, importance: 0.6, cost: 'weeks',
      coaching: {
        seenLow: 'The leading thigh is low at take-off', seenHigh: 'The leading thigh is very high at take-off',
        why: 'A thigh that is not up at take-off has to be lifted in the air, which costs height.',
        cue: 'Attack with the knee.',
        drills: ['Stand on the take-off foot, thigh up, hold', 'Skips with the thigh at the height of the bar', 'Five steps to a training hurdle'],
      },
    },
    { id: 'push-knee-at-take-off', name: 'Pushing knee', kind: 'value', region: 'legs', plane: 'sagittal', of: { q: 'joint-angle', points: ['opposite-hip', 'opposite-knee', 'opposite-ankle'] }, at: 'take-off', target: like(8), margin: 3, importance: 0.6, cost: 'weeks',
      coaching: {
        seenLow: 'The push is not finished: the knee is still bent', seenHigh: 'The pushing knee is straighter than the reference',
        why: 'The last of the push sends the body on; a knee that leaves bent has given it away, one that is locked early pushes up.',
        cue: 'Push through to the toe.',
        drills: ['Step-ups with a full push, hold on the toe', 'Bounding over lines', 'Five steps to a low hurdle'],
      },
    },
    { id: 'trail-folded', name: 'Trailing leg folded', kind: 'extreme', region: 'legs', plane: 'sagittal', of: { q: 'joint-angle', points: ['opposite-hip', 'opposite-knee', 'opposite-ankle'] }, from: 'take-off', to: 'touch-down', which: 'smallest', target: like(10), margin: 4, importance: 0.5, cost: 'weeks',
      coaching: {
        seenLow: 'The trailing leg is folded very tightly', seenHigh: 'The trailing leg hangs open',
        why: 'An open leg catches the bar and swings slowly; it has to come through beside the body, folded.',
        cue: 'Knee to the armpit.',
        drills: ['Trailing leg alone at the side of a hurdle, hands on a wall', 'Walk-overs, then skips, trailing leg only', 'Five steps at training height'],
      },
    },
    { id: 'landing-under', name: 'Hips over the landing foot', kind: 'value', region: 'hips', plane: 'sagittal', of: { q: 'offset', points: ['mid-hip', 'dominant-ankle'], axis: 'forward' }, at: 'touch-down', target: like(4), margin: 2, importance: 0.8, cost: 'weeks',
      coaching: {
        seenLow: 'The landing foot comes down ahead of the hips', seenHigh: 'The hips are far ahead of the landing foot',
        why: 'A foot ahead of the hips brakes; the runner should land in a running stride.',
        cue: 'Paw it down under you.',
        drills: ['Snap the leading leg down from a stand beside a hurdle', 'Low hurdle and on into five steps', 'Training height, shortened spacing'],
      },
    },
    { id: 'landing-knee', name: 'Landing knee', kind: 'value', region: 'legs', plane: 'sagittal', of: { q: 'joint-angle', points: ['dominant-hip', 'dominant-knee', 'dominant-ankle'] }, at: 'touch-down', target: like(6), margin: 3, importance: 0.7, cost: 'weeks', risk: 'hurdle-fall',
      coaching: {
        seenLow: 'The landing knee gives way', seenHigh: 'The landing knee is locked',
        why: 'A knee that gives way sinks and has to be lifted again; one that is locked takes the whole blow.',
        cue: 'Stiff and tall, not locked.',
        drills: ['Step down from a low box onto a firm leg', 'Low hurdles, land tall', 'Training height, few clearances'],
      },
    },
    { id: 'centre-of-mass-path', name: 'Centre of mass, rise', kind: 'range', region: 'trunk', plane: 'sagittal', of: { q: 'height', point: 'centre-of-mass' }, from: 'take-off', to: 'touch-down', target: like(3), margin: 1, importance: 0.6, cost: 'season',
      coaching: {
        seenLow: 'The clearance is very flat', seenHigh: 'The clearance is a jump',
        why: 'The time in the air follows from the rise alone.',
        cue: 'Take off farther away and stay low.',
        drills: ['Walk-overs with the head level', 'Low hurdles, take-off mark moved back', 'Training height'],
      },
    },
    { id: 'speed-at-take-off', name: 'Hips forward, peak', kind: 'speed', region: 'hips', plane: 'sagittal', point: 'mid-hip', along: 'forward', from: 'take-off-contact', to: 'take-off', importance: 0.4, cost: 'season' },
  ],
  causes: [
    { cause: 'take-off-distance', effect: 'hips-over-hurdle', causeSide: 'low', effectSide: 'high', share: 0.5, because: 'who takes off close has to jump high' },
    { cause: 'take-off-distance', effect: 'flight-time', causeSide: 'low', effectSide: 'high', share: 0.4, because: 'a steep take-off is a long flight' },
    { cause: 'take-off-distance', effect: 'landing-distance', causeSide: 'low', effectSide: 'high', share: 0.6, because: 'what is missing before the hurdle is too much behind it' },
    { cause: 'trunk-over-hurdle', effect: 'landing-under', causeSide: 'low', effectSide: 'low', share: 0.4, because: 'an upright trunk lands behind the foot' },
    { cause: 'push-knee-at-take-off', effect: 'flight-time', causeSide: 'low', effectSide: 'high', share: 0.2, because: 'a push that is not finished goes up and not on' },
  ],
  cautions: [
    { id: 'hurdle-fall', always: false, text: 'Work close over the hurdle at low hurdles first, with bars that fall, and only warmed up: a hit hurdle is a fall.' },
    { id: 'hurdle-load', always: true, text: 'Hurdling loads hip flexors, hamstrings and the landing foot: change technique with few clearances at reduced height, and stop on pain.' },
  ],
};

const TOUCH_DOWNS = Array.from({ length: HURDLE_RACES['women-100'].hurdles }, (_, i) => i + 1);
const touchDown = (n: number): string => `touch-down-${n}`;
const RACE_MOMENTS = [
  { id: 'gun', name: 'Start', look: 'The flash of the gun, or the first movement.' },
  ...TOUCH_DOWNS.map((n) => ({ id: touchDown(n), name: `Touch-down ${n}`, look: `First frame in which the leading foot is on the ground behind hurdle ${n}.` })),
  { id: 'finish', name: 'Finish', look: 'The chest reaches the finish line.' },
];

/** A whole hurdle race as a course with gates: the touch-downs behind the ten hurdles. */
export const hurdleRace: MovementDocument = {
  schemaVersion: 1,
  id: 'hurdle-race',
  name: 'Hurdle race, touch-downs',
  sport: 'Athletics',
  moments: RACE_MOMENTS.map((m, i) => ({ ...m, key: momentKey(i) })),
  phases: RACE_MOMENTS.slice(1).map((to, i) => ({ from: RACE_MOMENTS[i]!.id, to: to.id, name: i === 0 ? 'To the first hurdle' : to.id === 'finish' ? 'Run-in' : `Hurdle ${i} to ${i + 1}` })),
  measures: [
    ...RACE_MOMENTS.slice(1).map((m) => ({ id: `split-${m.id}`, name: `${m.name}, split`, kind: 'split' as const, region: 'timing' as const, plane: 'any' as const, from: 'gun', to: m.id, importance: 0.3, cost: 'season' as const })),
    ...RACE_MOMENTS.slice(1).map((to, i) => ({ id: `part-${to.id}`, name: i === 0 ? 'To the first hurdle' : to.id === 'finish' ? 'Run-in' : `Rhythm, hurdle ${i} to ${i + 1}`, kind: 'duration' as const, region: 'timing' as const, plane: 'any' as const, from: RACE_MOMENTS[i]!.id, to: to.id, target: like(30), margin: 10, better: 'lower' as const, importance: 0.7, cost: 'season' as const })),
  ],
  causes: TOUCH_DOWNS.slice(0, -1).map((n) => ({ cause: `part-${touchDown(n)}`, effect: `part-${touchDown(n + 1)}`, causeSide: 'high' as const, effectSide: 'high' as const, share: 0.3, because: 'speed that is lost at a hurdle is missing up to the next one' })),
  cautions: [{ id: 'hurdle-load', always: true, text: 'Hurdling loads hip flexors, hamstrings and the landing foot: change technique with few clearances at reduced height, and stop on pain.' }],
};
