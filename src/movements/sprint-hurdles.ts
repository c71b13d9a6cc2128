import type { MovementDocument } from '../core/model/movement';
import { like } from './like';

/** Sprint hurdles, seen from the side of one hurdle; the leading leg is the one of the dominant side. */
export const sprintHurdles: MovementDocument = {
  schemaVersion: 1,
  id: 'sprint-hurdles',
  name: 'Hurdle clearance',
  sport: 'Athletics',
  points: [{ id: 'own-hurdle', name: 'Top of the hurdle', look: 'The middle of the upper edge of the bar, where the lane crosses it.' }],
  moments: [
    { id: 'take-off-contact', name: 'Take-off foot down', key: '1', look: 'First frame in which the foot that pushes off touches the ground before the hurdle.', rule: { rule: 'contact', side: 'opposite', edge: 'touch-down', take: 'last', before: 'take-off' } },
    { id: 'take-off', name: 'Take-off', key: '2', look: 'Last frame in which the toe of the pushing foot is on the ground.', rule: { rule: 'contact', side: 'opposite', edge: 'lift-off', take: 'last', before: 'highest' } },
    { id: 'highest', name: 'Over the hurdle', key: '3', look: 'The hips are highest.', rule: { rule: 'extreme', of: { q: 'height', point: 'mid-hip' }, which: 'largest' } },
    { id: 'touch-down', name: 'Touch-down', key: '4', look: 'First frame in which the leading foot touches the ground behind the hurdle.', rule: { rule: 'contact', side: 'dominant', edge: 'touch-down', take: 'first', after: 'highest' } },
    { id: 'running-off', name: 'Landing foot leaves', key: '5', look: 'Last frame in which the toe of the leading foot is on the ground.', rule: { rule: 'contact', side: 'dominant', edge: 'lift-off', take: 'first', after: 'touch-down' } },
  ],
  phases: [
    { from: 'take-off-contact', to: 'take-off', name: 'Push-off' },
    { from: 'take-off', to: 'highest', name: 'Rise' },
    { from: 'highest', to: 'touch-down', name: 'Descent' },
    { from: 'touch-down', to: 'running-off', name: 'Landing step' },
  ],
  measures: [
    { id: 'push-off-time', name: 'Push-off', kind: 'duration', region: 'timing', plane: 'any', from: 'take-off-contact', to: 'take-off', target: like(12), margin: 6, importance: 0.6, cost: 'weeks' },
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
    { id: 'landing-time', name: 'Landing step', kind: 'duration', region: 'timing', plane: 'any', from: 'touch-down', to: 'running-off', target: like(12), margin: 6, importance: 0.6, cost: 'weeks' },
    { id: 'take-off-distance', name: 'Take-off before the hurdle', kind: 'value', region: 'legs', plane: 'sagittal', of: { q: 'offset', points: ['own-hurdle', 'opposite-foot-index'], axis: 'forward' }, at: 'take-off', lengthIn: 'm', target: like(0.15), margin: 0.05, importance: 0.8, cost: 'weeks' },
    { id: 'landing-distance', name: 'Landing behind the hurdle', kind: 'value', region: 'legs', plane: 'sagittal', of: { q: 'offset', points: ['dominant-foot-index', 'own-hurdle'], axis: 'forward' }, at: 'touch-down', lengthIn: 'm', target: like(0.15), margin: 0.05, importance: 0.7, cost: 'weeks' },
    { id: 'hips-over-hurdle', name: 'Hips above the hurdle', kind: 'value', region: 'hips', plane: 'sagittal', of: { q: 'offset', points: ['mid-hip', 'own-hurdle'], axis: 'up' }, at: 'highest', lengthIn: 'm', target: like(0.06), margin: 0.02, importance: 0.8, cost: 'season', risk: 'hurdle-fall' },
    { id: 'trunk-at-take-off', name: 'Trunk lean', kind: 'segment-angle', region: 'trunk', plane: 'sagittal', points: ['mid-hip', 'mid-shoulder'], against: 'up', at: 'take-off', target: like(6), margin: 3, importance: 0.6, cost: 'weeks' },
    {
      id: 'trunk-over-hurdle', name: 'Trunk lean', kind: 'segment-angle', region: 'trunk', plane: 'sagittal', points: ['mid-hip', 'mid-shoulder'], against: 'up', at: 'highest', target: like(6), margin: 3, importance: 0.8, cost: 'weeks',
      coaching: {
        seenLow: 'The trunk stays upright over the hurdle', seenHigh: 'The trunk folds too far over the leading leg',
        why: 'A trunk that leans over the leading leg keeps the hips low without a high jump.',
        cue: 'Chest to the knee, then run off.',
        drills: ['Sit on the ground in the clearance position and reach', 'Walk-over of a low hurdle, chest to the knee', 'One step, three low hurdles'],
        selfCheck: 'Side camera at hurdle height; read the trunk when the hips are highest.',
      },
    },
    { id: 'lead-knee-at-take-off', name: 'Leading knee', kind: 'joint-angle', region: 'legs', plane: 'sagittal', points: ['dominant-hip', 'dominant-knee', 'dominant-ankle'], at: 'take-off', target: like(12), margin: 4, importance: 0.6, cost: 'weeks' },
    { id: 'lead-thigh-at-take-off', name: 'Leading thigh', kind: 'segment-angle', region: 'legs', plane: 'sagittal', points: ['dominant-hip', 'dominant-knee'], against: 'down', at: 'take-off', target: like(8), margin: 3, importance: 0.6, cost: 'weeks' },
    { id: 'push-knee-at-take-off', name: 'Pushing knee', kind: 'joint-angle', region: 'legs', plane: 'sagittal', points: ['opposite-hip', 'opposite-knee', 'opposite-ankle'], at: 'take-off', target: like(8), margin: 3, importance: 0.6, cost: 'weeks' },
    { id: 'trail-folded', name: 'Trailing leg folded', kind: 'extreme', region: 'legs', plane: 'sagittal', of: { q: 'joint-angle', points: ['opposite-hip', 'opposite-knee', 'opposite-ankle'] }, from: 'take-off', to: 'touch-down', which: 'smallest', target: like(10), margin: 4, importance: 0.5, cost: 'weeks' },
    { id: 'landing-under', name: 'Hips over the landing foot', kind: 'value', region: 'hips', plane: 'sagittal', of: { q: 'offset', points: ['mid-hip', 'dominant-ankle'], axis: 'forward' }, at: 'touch-down', target: like(4), margin: 2, importance: 0.8, cost: 'weeks' },
    { id: 'landing-knee', name: 'Landing knee', kind: 'joint-angle', region: 'legs', plane: 'sagittal', points: ['dominant-hip', 'dominant-knee', 'dominant-ankle'], at: 'touch-down', target: like(6), margin: 3, importance: 0.7, cost: 'weeks', risk: 'hurdle-fall' },
    { id: 'centre-of-mass-path', name: 'Centre of mass, rise', kind: 'range', region: 'trunk', plane: 'sagittal', of: { q: 'height', point: 'centre-of-mass' }, from: 'take-off', to: 'touch-down', target: like(3), margin: 1, importance: 0.6, cost: 'season' },
    { id: 'speed-at-take-off', name: 'Hips forward, peak', kind: 'speed', region: 'hips', plane: 'sagittal', point: 'mid-hip', along: 'forward', from: 'take-off-contact', to: 'take-off', importance: 0.4, cost: 'season' },
  ],
  causes: [
    { cause: 'take-off-distance', effect: 'hips-over-hurdle', share: 0.5, because: 'who takes off close has to jump high' },
    { cause: 'take-off-distance', effect: 'flight-time', share: 0.4, because: 'a steep take-off is a long flight' },
    { cause: 'trunk-over-hurdle', effect: 'landing-under', share: 0.4, because: 'an upright trunk lands behind the foot' },
    { cause: 'push-knee-at-take-off', effect: 'flight-time', share: 0.2, because: 'a push that is not finished goes up and not on' },
  ],
  cautions: [
    { id: 'hurdle-fall', always: false, text: 'Work close over the hurdle at low hurdles first, with bars that fall, and only warmed up: a hit hurdle is a fall.' },
    { id: 'hurdle-load', always: true, text: 'Hurdling loads hip flexors, hamstrings and the landing foot: change technique with few clearances at reduced height, and stop on pain.' },
  ],
};
