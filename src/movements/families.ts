import type { MovementDocument } from '../core/model/movement';
import { like } from './like';

/**
 * One starter for each family of movements: moments, points, measures and their order, but no numbers taken from anyone: what is
 * judged is judged against the reference.
 */
type Part = Pick<MovementDocument, 'id' | 'name' | 'points' | 'moments' | 'measures' | 'causes' | 'cautions' | 'repeats' | 'sheet'>;

const AID = { id: 'aid', always: true, text: 'This is an aid to coaching and no diagnosis: stop on pain, change technique at reduced load and speed under a qualified coach, and keep to the rules of the sport.' } as const;

const family = ({ moments, cautions = [], ...part }: Omit<Part, 'causes' | 'cautions'> & Partial<Pick<Part, 'causes' | 'cautions'>>): MovementDocument => ({
  schemaVersion: 1,
  sport: 'Any sport',
  causes: [],
  ...part,
  moments,
  phases: moments.slice(1).map((to, i) => ({ from: moments[i]!.id, to: to.id, name: `${moments[i]!.name} to ${to.name.toLowerCase()}` })),
  cautions: [AID, ...cautions],
});

const joint = (side: 'dominant' | 'opposite', which: 'knee' | 'elbow' | 'hip') =>
  ({ knee: [`${side}-hip`, `${side}-knee`, `${side}-ankle`], elbow: [`${side}-shoulder`, `${side}-elbow`, `${side}-wrist`], hip: [`${side}-shoulder`, `${side}-hip`, `${side}-knee`] })[which] as [`${typeof side}-hip`, `${typeof side}-knee`, `${typeof side}-ankle`];
const angleAt = (id: string, name: string, side: 'dominant' | 'opposite', which: 'knee' | 'elbow' | 'hip', at: string, importance = 0.6) =>
  ({ id, name, kind: 'value', region: which === 'elbow' ? 'arms' : which === 'hip' ? 'hips' : 'legs', plane: 'sagittal', of: { q: 'joint-angle', points: joint(side, which) }, at, target: like(8), margin: 3, importance, cost: 'weeks' }) as const;
const TRUNK: ['mid-hip', 'mid-shoulder'] = ['mid-hip', 'mid-shoulder'];
const trunkAt = (at: string, importance = 0.6) => ({ id: `trunk-at-${at}`, name: 'Trunk lean', kind: 'value', region: 'trunk', plane: 'sagittal', of: { q: 'segment-angle', points: TRUNK, against: 'up' }, at, target: like(6), margin: 3, importance, cost: 'weeks' }) as const;
const phaseTime = (from: string, to: string, name: string, importance = 0.5) => ({ id: `time-${from}-${to}`.slice(0, 60), name, kind: 'duration', region: 'timing', plane: 'any', from, to, target: like(20), margin: 10, importance, cost: 'weeks' }) as const;
const moment = (id: string, name: string, key: string, look: string, rule?: MovementDocument['moments'][number]['rule']) => ({ id, name, key, look, ...(rule ? { rule } : {}) });

const strikeOrThrow = family({
  id: 'strike-or-throw',
  name: 'Strike or throw',
  points: [{ id: 'own-tip', name: 'Tip of the implement', look: 'The end of the implement that is farthest from the hand, or the middle of the ball.' }],
  moments: [
    moment('wind-up', 'End of the wind-up', '1', 'The hand is farthest behind the hips.', { rule: 'extreme', of: { q: 'offset', points: ['dominant-wrist', 'mid-hip'], axis: 'forward' }, which: 'smallest', before: 'contact' }),
    moment('front-foot-down', 'Front foot down', '2', 'First frame in which the front foot is on the ground.', { rule: 'contact', side: 'opposite', edge: 'touch-down', take: 'last', before: 'contact' }),
    moment('contact', 'Contact or release', '3', 'The implement meets the ball, or the ball leaves the hand.', { rule: 'peak-speed', point: 'dominant-wrist', relativeTo: 'mid-hip' }),
    moment('finish', 'Finish', '4', 'The arm has come to the end of its way.'),
  ],
  measures: [
    angleAt('front-knee-at-front-foot-down', 'Front knee', 'opposite', 'knee', 'front-foot-down', 0.7),
    { id: 'stride', name: 'Stride', kind: 'value', region: 'legs', plane: 'sagittal', of: { q: 'offset', points: ['opposite-ankle', 'dominant-ankle'], axis: 'forward' }, at: 'front-foot-down', target: like(6), margin: 3, importance: 0.5, cost: 'weeks' },
    trunkAt('front-foot-down', 0.5),
    angleAt('front-knee-at-contact', 'Front knee', 'opposite', 'knee', 'contact', 0.8),
    angleAt('elbow-at-contact', 'Striking elbow', 'dominant', 'elbow', 'contact', 0.7),
    trunkAt('contact', 0.8),
    { id: 'hand-height-at-contact', name: 'Hand above the ground', kind: 'value', region: 'arms', plane: 'sagittal', of: { q: 'height', point: 'dominant-wrist' }, at: 'contact', target: like(5), margin: 2, importance: 0.6, cost: 'weeks' },
    { id: 'hips-before-shoulders', name: 'Trunk before arm', kind: 'lag', region: 'timing', plane: 'sagittal', first: { q: 'segment-angle', points: TRUNK, against: 'up' }, second: { q: 'joint-angle', points: ['dominant-shoulder', 'dominant-elbow', 'dominant-wrist'] }, event: 'peak-rate', from: 'wind-up', to: 'contact', target: like(25), margin: 10, importance: 0.7, cost: 'season' },
    {
      id: 'sequence', name: 'Leg, trunk, arm', kind: 'order', region: 'timing', plane: 'sagittal', from: 'wind-up', to: 'contact', importance: 0.7, cost: 'season',
      steps: [
        { name: 'front leg', of: { q: 'joint-angle', points: ['opposite-hip', 'opposite-knee', 'opposite-ankle'] }, event: 'peak-rate' },
        { name: 'trunk', of: { q: 'segment-angle', points: TRUNK, against: 'up' }, event: 'peak-rate' },
        { name: 'arm', of: { q: 'joint-angle', points: ['dominant-shoulder', 'dominant-elbow', 'dominant-wrist'] }, event: 'peak-rate' },
      ],
      target: { type: 'in-order', source: 'common practice: a strike or throw runs from the ground up' },
    },
    { id: 'hand-speed', name: 'Hand, peak speed', kind: 'speed', region: 'arms', plane: 'sagittal', point: 'dominant-wrist', relativeTo: 'mid-hip', along: 'straight', from: 'wind-up', to: 'contact', importance: 0.4, cost: 'season' },
    { id: 'head-steady', name: 'Head, circle it stays in', kind: 'steadiness', region: 'head', plane: 'sagittal', point: 'nose', relativeTo: 'mid-hip', from: 'front-foot-down', to: 'contact', target: like(3), margin: 1, importance: 0.5, cost: 'weeks' },
    phaseTime('wind-up', 'contact', 'Wind-up to contact', 0.6),
  ],
});

const rotationalThrow = family({
  id: 'rotational-throw',
  name: 'Throw with turns',
  points: [{ id: 'own-implement', name: 'Implement', look: 'The middle of the implement\u2019s head.' }],
  moments: [
    moment('start', 'Start of the turn', '1', 'The body begins to turn out of its rest.'),
    moment('first-foot-down', 'First foot down', '2', 'First frame in which the pivoting foot is down again.'),
    moment('second-foot-down', 'Second foot down', '3', 'First frame in which both feet are on the ground for the delivery.'),
    moment('release', 'Release', '4', 'Last frame in which the implement is in the hand.'),
  ],
  measures: [
    angleAt('pivot-knee', 'Knee of the pivoting leg', 'dominant', 'knee', 'first-foot-down', 0.7),
    angleAt('front-knee', 'Knee of the bracing leg', 'opposite', 'knee', 'release', 0.8),
    trunkAt('second-foot-down'),
    trunkAt('release', 0.7),
    { id: 'shoulder-turn', name: 'Shoulders turn', kind: 'turn', region: 'trunk', plane: 'transverse', of: { q: 'segment-angle', points: ['dominant-shoulder', 'opposite-shoulder'], against: 'forward' }, from: 'start', to: 'release', target: like(15), margin: 5, importance: 0.6, cost: 'season' },
    { id: 'separation', name: 'Shoulders against hips', kind: 'value', region: 'trunk', plane: 'transverse', of: { q: 'line-separation', points: ['opposite-shoulder', 'dominant-shoulder'], from: ['opposite-hip', 'dominant-hip'] }, at: 'second-foot-down', target: like(8), margin: 3, importance: 0.8, cost: 'season', risk: 'spine' },
    { id: 'implement-path', name: 'Way of the implement', kind: 'path', region: 'arms', plane: 'any', point: 'own-implement', what: 'length', from: 'second-foot-down', to: 'release', target: like(8), margin: 3, importance: 0.5, cost: 'season' },
    phaseTime('first-foot-down', 'second-foot-down', 'Foot to foot', 0.8),
    phaseTime('second-foot-down', 'release', 'Delivery', 0.7),
  ],
  cautions: [{ id: 'spine', always: false, text: 'Twisting the trunk under load strains the lower back: build it up with light implements, and stop on back pain.' }],
});

const barLift = family({
  id: 'bar-lift',
  name: 'Lift of a bar',
  repeats: { by: 'top', cycle: false },
  points: [{ id: 'own-bar', name: 'Bar', look: 'The middle of the end of the bar that is towards the camera.' }],
  moments: [
    moment('start', 'Start', '1', 'The last frame before the bar leaves the ground or the rack.'),
    moment('knee', 'Bar at the knee', '2', 'The bar passes the knee.', { rule: 'crossing', of: { q: 'offset', points: ['own-bar', 'dominant-knee'], axis: 'up' }, level: 0, direction: 'rising', take: 'first' }),
    moment('extension', 'Full extension', '3', 'Hip and knee are straightest.', { rule: 'extreme', of: { q: 'joint-angle', points: ['dominant-shoulder', 'dominant-hip', 'dominant-knee'] }, which: 'largest', after: 'knee', before: 'top' }),
    moment('top', 'Bar highest', '4', 'The bar is highest before it is caught or held.', { rule: 'extreme', of: { q: 'height', point: 'own-bar' }, which: 'largest' }),
    moment('end', 'Held', '5', 'The lifter stands still with the bar.'),
  ],
  measures: [
    { id: 'heels-down', name: 'Heels down', kind: 'checkpoint', region: 'legs', plane: 'any', question: 'Are both heels on the ground?', at: 'start', target: { type: 'yes', source: 'common practice: the foot is flat while the bar leaves the ground' }, importance: 0.6, cost: 'minutes' },
    { id: 'bar-over-foot', name: 'Bar ahead of the middle foot', kind: 'value', region: 'legs', plane: 'sagittal', of: { q: 'offset', points: ['own-bar', 'dominant-ankle'], axis: 'forward' }, at: 'start', target: like(2), margin: 1, importance: 0.8, cost: 'weeks' },
    trunkAt('start', 0.7),
    { id: 'back-held', name: 'Trunk angle, how constant', kind: 'range', region: 'trunk', plane: 'sagittal', of: { q: 'segment-angle', points: TRUNK, against: 'up' }, from: 'start', to: 'knee', target: like(4), margin: 2, importance: 0.9, cost: 'weeks', risk: 'spine' },
    { id: 'arms-held', name: 'Elbow angle, how constant', kind: 'range', region: 'arms', plane: 'sagittal', of: { q: 'joint-angle', points: joint('dominant', 'elbow') }, from: 'start', to: 'extension', target: like(6), margin: 3, importance: 0.6, cost: 'weeks' },
    angleAt('knee-at-extension', 'Knee', 'dominant', 'knee', 'extension', 0.8),
    angleAt('hip-at-extension', 'Hip', 'dominant', 'hip', 'extension', 0.8),
    { id: 'bar-sideways', name: 'Bar off its straight way', kind: 'path', region: 'arms', plane: 'sagittal', point: 'own-bar', what: 'sideways', from: 'start', to: 'top', target: like(2), margin: 1, importance: 0.7, cost: 'season' },
    { id: 'bar-top', name: 'Bar, highest', kind: 'extreme', region: 'arms', plane: 'sagittal', of: { q: 'height', point: 'own-bar' }, from: 'knee', to: 'end', which: 'largest', target: like(4), margin: 2, importance: 0.6, cost: 'season' },
    { id: 'bar-speed', name: 'Bar, peak speed', kind: 'speed', region: 'arms', plane: 'sagittal', point: 'own-bar', along: 'up', from: 'start', to: 'top', importance: 0.5, cost: 'season' },
    phaseTime('start', 'extension', 'Pull', 0.5),
  ],
  cautions: [{ id: 'spine', always: false, text: 'A back that gives way under a heavy bar is a reason to take weight off: correct it at light load under a qualified coach.' }],
});

const cycle = family({
  id: 'stroke-or-gait',
  name: 'Stroke or gait cycle',
  repeats: { by: 'begin', cycle: true },
  moments: [
    moment('begin', 'Contact or catch', '1', 'The foot touches the ground, or hand or blade take hold of the water.', { rule: 'contact', side: 'dominant', edge: 'touch-down', take: 'first' }),
    moment('middle', 'Middle', '2', 'Half way through support or pull: hip over foot, hand under shoulder.', { rule: 'crossing', of: { q: 'offset', points: ['dominant-hip', 'dominant-ankle'], axis: 'forward' }, level: 0, direction: 'rising', take: 'first', after: 'begin' }),
    moment('end', 'End of support or pull', '3', 'The foot leaves the ground, hand or blade leave the water.', { rule: 'contact', side: 'dominant', edge: 'lift-off', take: 'first', after: 'middle' }),
    moment('next', 'Next contact', '4', 'The same side begins again.', { rule: 'contact', side: 'dominant', edge: 'touch-down', take: 'first', after: 'end' }),
  ],
  measures: [
    angleAt('knee-at-begin', 'Knee', 'dominant', 'knee', 'begin', 0.7),
    angleAt('hip-at-begin', 'Hip', 'dominant', 'hip', 'begin', 0.5),
    trunkAt('middle', 0.6),
    angleAt('elbow-at-middle', 'Elbow', 'dominant', 'elbow', 'middle', 0.5),
    { id: 'reach', name: 'Ahead of the hip', kind: 'value', region: 'legs', plane: 'sagittal', of: { q: 'offset', points: ['dominant-ankle', 'dominant-hip'], axis: 'forward' }, at: 'begin', target: like(3), margin: 1, importance: 0.6, cost: 'weeks' },
    angleAt('knee-at-end', 'Knee', 'dominant', 'knee', 'end', 0.6),
    { id: 'cycle-rate', name: 'Cycles a minute', kind: 'rate', region: 'timing', plane: 'any', from: 'begin', to: 'next', count: 1, target: like(4), margin: 2, importance: 0.7, cost: 'weeks' },
    { id: 'support-share', name: 'Support or pull of the cycle', kind: 'share', region: 'timing', plane: 'any', from: 'begin', to: 'end', whole: ['begin', 'next'], target: like(4), margin: 2, importance: 0.5, cost: 'season' },
    { id: 'bounce', name: 'Centre of mass up and down', kind: 'range', region: 'trunk', plane: 'sagittal', of: { q: 'offset', points: ['centre-of-mass', 'dominant-ankle'], axis: 'up' }, from: 'begin', to: 'end', importance: 0.4, cost: 'season' },
    { id: 'speed', name: 'Hips forward, peak', kind: 'speed', region: 'hips', plane: 'sagittal', point: 'mid-hip', along: 'forward', from: 'begin', to: 'next', importance: 0.4, cost: 'season' },
  ],
});

const rotationJump = family({
  id: 'rotation-jump',
  name: 'Jump with rotation',
  repeats: { by: 'top', cycle: false },
  sheet: {
    name: 'Jump with rotation',
    source: 'analyst\u2019s choice: leaving the ground counts half, the air and the landing the other half',
    criteria: [
      { id: 'leaves-square', name: 'Leaves the ground before it turns', measure: 'turned-before', must: true, points: 3 },
      { id: 'rises', name: 'Rises as high as the reference', measure: 'rise', must: false, points: 2 },
      { id: 'one-line', name: 'One line at the top', measure: 'in-one-line', must: false, points: 2 },
      { id: 'lands-upright', name: 'Lands with the trunk over the feet', measure: 'trunk-at-landing', must: false, points: 2 },
      { id: 'gives-way', name: 'Knees give way on landing', measure: 'knee-at-landing', must: false, points: 1 },
    ],
    gates: [{ needs: ['leaves-square'], most: 6, because: 'who turns on the ground has not made the rotation that is marked, and gets no more than six' }],
  },
  moments: [
    moment('plant', 'Plant', '1', 'The foot that jumps is set down, or the knees begin to straighten.'),
    moment('take-off', 'Take-off', '2', 'Last frame on the ground.', { rule: 'contact', side: 'either', edge: 'lift-off', take: 'last', before: 'top' }),
    moment('top', 'Top', '3', 'The hips are highest.', { rule: 'extreme', of: { q: 'height', point: 'mid-hip' }, which: 'largest' }),
    moment('landing', 'Landing', '4', 'First frame on the ground again.', { rule: 'contact', side: 'either', edge: 'touch-down', take: 'first', after: 'top' }),
  ],
  measures: [
    angleAt('knee-at-plant', 'Knee', 'dominant', 'knee', 'plant', 0.6),
    { id: 'turned-before', name: 'Turned before leaving', kind: 'turn', region: 'hips', plane: 'transverse', of: { q: 'segment-angle', points: ['dominant-hip', 'opposite-hip'], against: 'forward' }, from: 'plant', to: 'take-off', target: like(20), margin: 10, importance: 0.8, cost: 'season' },
    trunkAt('take-off', 0.7),
    angleAt('knee-at-take-off', 'Knee', 'dominant', 'knee', 'take-off', 0.7),
    { id: 'in-one-line', name: 'Shoulder, hip and ankle off one line', kind: 'value', region: 'trunk', plane: 'sagittal', of: { q: 'alignment', points: ['dominant-shoulder', 'dominant-hip', 'dominant-ankle'] }, at: 'top', target: like(4), margin: 2, importance: 0.7, cost: 'season' },
    { id: 'flight', name: 'In the air', kind: 'duration', region: 'timing', plane: 'any', from: 'take-off', to: 'landing', target: like(25), margin: 10, importance: 0.8, cost: 'season' },
    { id: 'rise', name: 'Hips, rise', kind: 'range', region: 'hips', plane: 'sagittal', of: { q: 'height', point: 'mid-hip' }, from: 'take-off', to: 'landing', target: like(5), margin: 2, importance: 0.7, cost: 'season' },
    angleAt('knee-at-landing', 'Landing knee', 'dominant', 'knee', 'landing', 0.7),
    trunkAt('landing', 0.6),
  ],
});

const aimed = family({
  id: 'aimed-delivery',
  name: 'Aimed delivery or shot',
  points: [{ id: 'own-object', name: 'What is aimed', look: 'The middle of the ball, or the front end of the implement.' }],
  moments: [
    moment('set', 'Set', '1', 'Everything is still before the movement.'),
    moment('top', 'Top', '2', 'The end of the backswing or of the draw.'),
    moment('release', 'Release', '3', 'What is aimed leaves the hand.'),
    moment('finish', 'Finish', '4', 'The end of the follow-through, held.'),
  ],
  measures: [
    { id: 'eyes-on-target', name: 'Eyes on the target', kind: 'checkpoint', region: 'head', plane: 'any', question: 'Do the eyes stay on the target?', at: 'release', target: { type: 'yes', source: 'common practice: the head is still and the eyes stay on the target until release' }, importance: 0.6, cost: 'minutes' },
    { id: 'shoulder-tilt', name: 'Shoulder line', kind: 'value', region: 'trunk', plane: 'frontal', of: { q: 'segment-angle', points: ['opposite-shoulder', 'dominant-shoulder'], against: 'forward' }, at: 'release', target: like(5), margin: 2, importance: 0.6, cost: 'weeks' },
    trunkAt('set', 0.5),
    trunkAt('release', 0.7),
    angleAt('elbow-at-top', 'Elbow', 'dominant', 'elbow', 'top', 0.6),
    angleAt('elbow-at-release', 'Elbow', 'dominant', 'elbow', 'release', 0.8),
    { id: 'head-steady', name: 'Head, circle it stays in', kind: 'steadiness', region: 'head', plane: 'any', point: 'nose', from: 'set', to: 'release', target: like(2), margin: 1, importance: 0.9, cost: 'weeks' },
    { id: 'hand-straight', name: 'Hand, straightness of its way', kind: 'path', region: 'arms', plane: 'sagittal', point: 'dominant-wrist', what: 'straightness', from: 'top', to: 'release', target: like(6), margin: 3, importance: 0.6, cost: 'season' },
    { id: 'release-height', name: 'Release above the ground', kind: 'value', region: 'arms', plane: 'sagittal', of: { q: 'height', point: 'dominant-wrist' }, at: 'release', target: like(4), margin: 2, importance: 0.6, cost: 'weeks' },
    phaseTime('top', 'release', 'Top to release', 0.6),
  ],
});

const partnerThrow = family({
  id: 'partner-throw',
  name: 'Grip and throw of a partner',
  points: [
    { id: 'own-partner-hip', name: 'Partner\u2019s hip', look: 'The middle of the hips of the one who is thrown.' },
    { id: 'own-partner-shoulder', name: 'Partner\u2019s shoulder', look: 'The middle of the shoulders of the one who is thrown.' },
  ],
  moments: [
    moment('grip', 'Grip', '1', 'Both hands hold.'),
    moment('entry', 'Entry', '2', 'The foot that turns in is down.'),
    moment('lift', 'Lift', '3', 'The partner\u2019s feet leave the ground.'),
    moment('finish', 'Finish', '4', 'The partner is down.'),
  ],
  measures: [
    angleAt('knee-at-entry', 'Knee', 'dominant', 'knee', 'entry', 0.8),
    trunkAt('entry', 0.6),
    { id: 'hips-below', name: 'Hips below the partner\u2019s', kind: 'value', region: 'hips', plane: 'sagittal', of: { q: 'offset', points: ['mid-hip', 'own-partner-hip'], axis: 'up' }, at: 'entry', target: like(4), margin: 2, importance: 0.9, cost: 'weeks' },
    { id: 'bodies', name: 'Angle between the two trunks', kind: 'value', region: 'trunk', plane: 'sagittal', of: { q: 'line-separation', points: TRUNK, from: ['own-partner-hip', 'own-partner-shoulder'] }, at: 'lift', target: like(10), margin: 4, importance: 0.7, cost: 'season' },
    trunkAt('lift', 0.7),
    { id: 'turned-in', name: 'Turned in', kind: 'turn', region: 'hips', plane: 'transverse', of: { q: 'segment-angle', points: ['dominant-hip', 'opposite-hip'], against: 'forward' }, from: 'grip', to: 'entry', target: like(15), margin: 8, importance: 0.7, cost: 'season' },
    phaseTime('entry', 'lift', 'Entry to lift', 0.8),
  ],
  cautions: [{ id: 'fall', always: true, text: 'Throws are practised on mats with partners who can fall; load on neck and spine is for qualified supervision.' }],
});

const gates = family({
  id: 'gate-course',
  name: 'Course with gates',
  points: [{ id: 'own-gate', name: 'Gate', look: 'The foot of the inner post of the gate.' }],
  moments: [
    moment('entry', 'Into the turn', '1', 'The first steering towards the gate.'),
    moment('gate', 'At the gate', '2', 'The hips pass the gate.', { rule: 'crossing', of: { q: 'offset', points: ['mid-hip', 'own-gate'], axis: 'forward' }, level: 0, direction: 'rising', take: 'first' }),
    moment('exit', 'Out of the turn', '3', 'The next change of direction begins.'),
  ],
  measures: [
    { id: 'gate-distance', name: 'Hips from the gate', kind: 'value', region: 'hips', plane: 'any', of: { q: 'distance', points: ['mid-hip', 'own-gate'] }, at: 'gate', target: like(8), margin: 4, importance: 0.7, cost: 'weeks' },
    { id: 'lean', name: 'Lean into the turn', kind: 'value', region: 'trunk', plane: 'frontal', of: { q: 'segment-angle', points: ['opposite-ankle', 'mid-shoulder'], against: 'up' }, at: 'gate', target: like(6), margin: 3, importance: 0.8, cost: 'weeks' },
    { id: 'line', name: 'Line, straightness', kind: 'path', region: 'hips', plane: 'any', point: 'mid-hip', what: 'straightness', from: 'entry', to: 'exit', target: like(4), margin: 2, importance: 0.6, cost: 'season' },
    angleAt('outer-knee', 'Outer knee', 'dominant', 'knee', 'gate', 0.7),
    angleAt('inner-knee', 'Inner knee', 'opposite', 'knee', 'gate', 0.6),
    phaseTime('entry', 'gate', 'Entry to gate', 0.9),
    phaseTime('gate', 'exit', 'Gate to exit', 0.9),
  ],
});

const riderOrCrew = family({
  id: 'rider-or-crew',
  name: 'Rider or crew',
  points: [
    { id: 'own-front', name: 'Front of animal, craft or machine', look: 'A mark at the front that is seen all the way.' },
    { id: 'own-back', name: 'Back of animal, craft or machine', look: 'A mark at the back that is seen all the way.' },
  ],
  moments: [
    moment('begin', 'Beginning', '1', 'The action begins: stroke, stride, obstacle.'),
    moment('middle', 'Middle', '2', 'Half way through the action.'),
    moment('end', 'End', '3', 'The action is over.'),
  ],
  measures: [
    trunkAt('begin', 0.7),
    trunkAt('middle', 0.7),
    angleAt('hip-at-begin', 'Hip', 'dominant', 'hip', 'begin', 0.6),
    angleAt('knee-at-begin', 'Knee', 'dominant', 'knee', 'begin', 0.6),
    angleAt('elbow-at-middle', 'Elbow', 'dominant', 'elbow', 'middle', 0.6),
    { id: 'shoulder-hip-heel', name: 'Shoulder, hip and heel off one line', kind: 'value', region: 'trunk', plane: 'sagittal', of: { q: 'alignment', points: ['dominant-shoulder', 'dominant-hip', 'dominant-heel'] }, at: 'middle', target: like(4), margin: 2, importance: 0.8, cost: 'weeks' },
    { id: 'pitch', name: 'Craft or animal, front up and down', kind: 'range', region: 'timing', plane: 'sagittal', of: { q: 'segment-angle', points: ['own-back', 'own-front'], against: 'forward' }, from: 'begin', to: 'end', target: like(3), margin: 1, importance: 0.6, cost: 'season' },
    { id: 'hands-against-craft', name: 'Hand against craft, peak speed', kind: 'speed', region: 'arms', plane: 'sagittal', point: 'dominant-wrist', relativeTo: 'own-front', line: ['own-back', 'own-front'], along: 'forward', from: 'begin', to: 'end', importance: 0.5, cost: 'season' },
    { id: 'hand-sideways-of-craft', name: 'Hand along the craft, off a straight way', kind: 'path', region: 'arms', plane: 'sagittal', point: 'dominant-wrist', relativeTo: 'own-front', line: ['own-back', 'own-front'], what: 'sideways', from: 'begin', to: 'end', target: like(3), margin: 1, importance: 0.4, cost: 'weeks' },
    phaseTime('begin', 'end', 'Whole action', 0.6),
  ],
  cautions: [{ id: 'water-and-animals', always: true, text: 'On water and with animals: keep to the safety rules of the place, and let the animal\u2019s welfare come first.' }],
});

export const FAMILIES: readonly MovementDocument[] = [strikeOrThrow, rotationalThrow, barLift, cycle, rotationJump, aimed, partnerThrow, gates, riderOrCrew];
