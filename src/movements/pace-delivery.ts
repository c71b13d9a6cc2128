import type { MovementDocument } from '../core/model/movement';
import { like } from './like';

/** Cricket: pace delivery, seen from the side. */
export const paceDelivery: MovementDocument = {
  schemaVersion: 1,
  id: 'pace-delivery',
  name: 'Pace delivery',
  sport: 'Cricket',
  points: [{ id: 'own-ball', name: 'Ball', look: 'The middle of the ball.' }],
  moments: [
    { id: 'back-foot-contact', name: 'Back foot contact', key: '1', look: 'First frame in which the back foot touches the ground after the bound.', rule: { rule: 'contact', side: 'dominant', edge: 'touch-down', take: 'last', before: 'front-foot-contact' } },
    { id: 'front-foot-contact', name: 'Front foot contact', key: '2', look: 'First frame in which the front foot touches the ground.', rule: { rule: 'contact', side: 'opposite', edge: 'touch-down', take: 'last', before: 'release' } },
    { id: 'arm-horizontal', name: 'Arm horizontal', key: '3', look: 'The bowling upper arm, behind the body, rises through the horizontal.', rule: { rule: 'crossing', of: { q: 'segment-angle', points: ['dominant-shoulder', 'dominant-elbow'], against: 'up' }, level: -90, direction: 'rising', take: 'last', before: 'release' } },
    { id: 'release', name: 'Release', key: '4', look: 'Last frame in which the ball is in the hand.', rule: { rule: 'crossing', of: { q: 'segment-angle', points: ['dominant-shoulder', 'dominant-wrist'], against: 'up' }, level: 0, direction: 'rising', take: 'last' } },
    { id: 'follow-through', name: 'Follow-through step', key: '5', look: 'First frame in which the back foot, having swung through, is down again.', rule: { rule: 'contact', side: 'dominant', edge: 'touch-down', take: 'first', after: 'release' } },
  ],
  phases: [
    { from: 'back-foot-contact', to: 'front-foot-contact', name: 'Delivery stride' },
    { from: 'front-foot-contact', to: 'arm-horizontal', name: 'Front foot loading' },
    { from: 'arm-horizontal', to: 'release', name: 'Arm swing' },
    { from: 'release', to: 'follow-through', name: 'Follow-through' },
  ],
  measures: [
    {
      id: 'back-knee-at-back-foot-contact', name: 'Back knee', kind: 'joint-angle', region: 'legs', plane: 'sagittal',
      points: ['dominant-hip', 'dominant-knee', 'dominant-ankle'], at: 'back-foot-contact',
      target: like(10), margin: 3, importance: 0.5, cost: 'weeks',
      coaching: {
        seenLow: 'The back knee gives way as the back foot lands', seenHigh: 'The back leg lands straight',
        why: 'A back leg that keeps its height carries the run-up speed into the stride.',
        cue: 'Land tall on the back foot.',
        drills: ['Hold the back-foot landing position for three seconds', 'Walk in and land the back foot in slow motion', 'Full run-up at three-quarter pace'],
        selfCheck: 'Side camera at hip height; compare the back knee at back foot contact.',
      },
    },
    {
      id: 'trunk-at-back-foot-contact', name: 'Trunk lean', kind: 'segment-angle', region: 'trunk', plane: 'sagittal',
      points: ['mid-hip', 'mid-shoulder'], against: 'up', at: 'back-foot-contact',
      target: like(6), margin: 3, importance: 0.4, cost: 'weeks',
    },
    {
      id: 'shoulder-line-at-back-foot-contact', name: 'Shoulder line', kind: 'segment-angle', region: 'trunk', plane: 'sagittal',
      points: ['dominant-shoulder', 'opposite-shoulder'], against: 'forward', at: 'back-foot-contact',
      target: like(10), margin: 4, importance: 0.4, cost: 'weeks',
    },
    {
      id: 'front-knee-at-front-foot-contact', name: 'Front knee', kind: 'joint-angle', region: 'legs', plane: 'sagittal',
      points: ['opposite-hip', 'opposite-knee', 'opposite-ankle'], at: 'front-foot-contact',
      target: like(8), margin: 3, importance: 0.8, cost: 'season', risk: 'landing-load',
      coaching: {
        seenLow: 'The front foot lands on a bent knee', seenHigh: 'The front foot lands on a locked knee',
        why: 'The front leg is the post that the body turns over; where it starts decides what it can hold.',
        cue: 'Reach with the heel, knee long.',
        drills: ['Stand in the landing position and hold it', 'Step into it from one walking stride', 'Half run-up, then full'],
        selfCheck: 'Side camera at hip height; compare the front knee at front foot contact.',
      },
    },
    {
      id: 'front-shin-at-front-foot-contact', name: 'Front shin to vertical', kind: 'segment-angle', region: 'legs', plane: 'sagittal',
      points: ['opposite-ankle', 'opposite-knee'], against: 'up', at: 'front-foot-contact',
      target: like(8), margin: 3, importance: 0.5, cost: 'weeks',
    },
    {
      id: 'front-hip-at-front-foot-contact', name: 'Front hip', kind: 'joint-angle', region: 'hips', plane: 'sagittal',
      points: ['opposite-shoulder', 'opposite-hip', 'opposite-knee'], at: 'front-foot-contact',
      target: like(10), margin: 4, importance: 0.4, cost: 'weeks',
    },
    {
      id: 'trunk-at-front-foot-contact', name: 'Trunk lean', kind: 'segment-angle', region: 'trunk', plane: 'sagittal',
      points: ['mid-hip', 'mid-shoulder'], against: 'up', at: 'front-foot-contact',
      target: like(6), margin: 3, importance: 0.5, cost: 'weeks',
    },
    {
      id: 'front-arm-at-front-foot-contact', name: 'Front upper arm', kind: 'segment-angle', region: 'arms', plane: 'sagittal',
      points: ['opposite-shoulder', 'opposite-elbow'], against: 'down', at: 'front-foot-contact',
      target: like(10), margin: 3, importance: 0.6, cost: 'weeks',
      coaching: {
        seenLow: 'The front arm is already down when the front foot lands', seenHigh: 'The front arm is still up when the front foot lands',
        why: 'The front arm leads the trunk; where it is at landing decides how much it can still pull.',
        cue: 'Keep the front arm up until the foot is down.',
        drills: ['Hold the landing position with the front arm high', 'Walk through with a pause at landing', 'Full action, front arm last'],
        selfCheck: 'Side camera; compare the front upper arm at front foot contact.',
      },
    },
    {
      id: 'front-arm-lead', name: 'Front arm comes down', kind: 'lead', region: 'arms', plane: 'sagittal',
      points: ['opposite-shoulder', 'opposite-elbow'], against: 'down', crossing: 90, direction: 'falling',
      moment: 'front-foot-contact', within: 140,
      target: like(12), margin: 4, importance: 0.7, cost: 'weeks',
      coaching: {
        seenLow: 'The front arm passes the horizontal too early', seenHigh: 'The front arm passes the horizontal too late',
        why: 'A front arm that drops before the front foot is down has nothing left to pull the trunk over with.',
        cue: 'Foot first, then the arm.',
        drills: ['Landing position held, front arm level, for three seconds', 'Walk in: say \u201cfoot\u201d, then pull the arm', 'Half run-up, then full, same order'],
        selfCheck: 'Side camera at 120 frames per second or more; the front arm is level at or after front foot contact.',
      },
    },
    {
      id: 'bowling-elbow-at-arm-horizontal', name: 'Bowling elbow', kind: 'joint-angle', region: 'arms', plane: 'sagittal',
      points: ['dominant-shoulder', 'dominant-elbow', 'dominant-wrist'], at: 'arm-horizontal',
      target: like(12), margin: 4, importance: 0.3, cost: 'season',
    },
    {
      id: 'bowling-elbow-extension', name: 'Bowling elbow straightens', kind: 'joint-change', region: 'arms', plane: 'sagittal',
      points: ['dominant-shoulder', 'dominant-elbow', 'dominant-wrist'], from: 'arm-horizontal', to: 'release',
      target: { type: 'at-most', value: 15, source: 'published: ICC playing conditions, illegal bowling action: at most 15 degrees from arm horizontal to release' },
      margin: 3, importance: 0.9, cost: 'season', risk: 'legality',
      coaching: {
        seenLow: 'The bowling elbow bends before release', seenHigh: 'The bowling elbow straightens by more than the laws allow',
        why: 'The laws limit how much the elbow may straighten on the way up.',
        cue: 'Long arm from the hip to the sky.',
        drills: ['Arm circles with a straight elbow', 'Standing delivery, arm only', 'Walk in, then run'],
        selfCheck: 'Cameras from the side and from behind; only an accredited laboratory can judge legality.',
      },
    },
    {
      id: 'front-knee-at-release', name: 'Front knee', kind: 'joint-angle', region: 'legs', plane: 'sagittal',
      points: ['opposite-hip', 'opposite-knee', 'opposite-ankle'], at: 'release',
      target: like(5), margin: 2, importance: 0.95, cost: 'season', risk: 'landing-load',
      coaching: {
        seenLow: 'The front knee collapses between landing and release', seenHigh: 'The front knee stays straighter than the reference\u2019s',
        why: 'A front leg that holds stops the hips, so that the trunk and the arm are thrown over it; a knee that gives way lets the speed leak away.',
        cue: 'Land and stay tall: push the ground away.',
        drills: ['Hold the landing position on a braced front leg, three seconds', 'Step down from a low box into the landing and hold', 'Walk-in, then half run-up, bowling over a braced leg', 'Full run-up with a lighter ball, few repetitions'],
        selfCheck: 'Side camera at hip height, front foot in the middle of the picture; compare the front knee at release.',
      },
    },
    {
      id: 'front-shin-at-release', name: 'Front shin to vertical', kind: 'segment-angle', region: 'legs', plane: 'sagittal',
      points: ['opposite-ankle', 'opposite-knee'], against: 'up', at: 'release',
      target: like(6), margin: 2, importance: 0.3, cost: 'season',
    },
    {
      id: 'front-hip-at-release', name: 'Front hip', kind: 'joint-angle', region: 'hips', plane: 'sagittal',
      points: ['opposite-shoulder', 'opposite-hip', 'opposite-knee'], at: 'release',
      target: like(8), margin: 3, importance: 0.4, cost: 'season',
    },
    {
      id: 'trunk-at-release', name: 'Trunk lean', kind: 'segment-angle', region: 'trunk', plane: 'sagittal',
      points: ['mid-hip', 'mid-shoulder'], against: 'up', at: 'release',
      target: like(5), margin: 2, importance: 0.6, cost: 'weeks', risk: 'spinal-loading',
      coaching: {
        seenLow: 'The trunk is still upright at release', seenHigh: 'The trunk has fallen forward before release',
        why: 'The trunk should still be coming over at release; what is spent before it does not reach the ball.',
        cue: 'Chest to the target, stay tall.',
        drills: ['Landing position against a wall, chest up', 'Standing delivery from the landing position', 'Walk-in, then run-up at reduced pace'],
        selfCheck: 'Side camera; compare the trunk at release.',
      },
    },
    {
      id: 'trunk-side-fall-at-release', name: 'Trunk side fall', kind: 'segment-angle', region: 'trunk', plane: 'frontal',
      points: ['mid-hip', 'mid-shoulder'], against: 'up', at: 'release',
      target: like(6), margin: 3, importance: 0.7, cost: 'season', risk: 'spinal-loading',
    },
    {
      id: 'stride-time', name: 'Back foot to front foot', kind: 'duration', region: 'timing', plane: 'any',
      from: 'back-foot-contact', to: 'front-foot-contact', target: like(15), margin: 5, importance: 0.4, cost: 'weeks',
    },
    {
      id: 'front-foot-to-release', name: 'Front foot to release', kind: 'duration', region: 'timing', plane: 'any',
      from: 'front-foot-contact', to: 'release', target: like(8), margin: 3, importance: 0.8, cost: 'season',
      coaching: {
        seenLow: 'The ball leaves sooner after landing', seenHigh: 'The ball leaves late after the front foot has landed',
        why: 'The shorter the time from landing to release, the less of the speed is lost on the front leg.',
        cue: 'Land and go.',
        drills: ['Standing delivery from the landing position', 'One-step delivery', 'Full run-up'],
        selfCheck: 'Side camera at 120 frames per second or more; count the frames from front foot contact to release.',
      },
    },
    {
      id: 'stride-share', name: 'Delivery stride of the whole', kind: 'share', region: 'timing', plane: 'any',
      from: 'back-foot-contact', to: 'front-foot-contact', whole: ['back-foot-contact', 'release'],
      margin: 0, importance: 0.2, cost: 'weeks',
    },
    {
      id: 'stride-length', name: 'Delivery stride', kind: 'value', region: 'legs', plane: 'sagittal',
      of: { q: 'offset', points: ['opposite-ankle', 'dominant-ankle'], axis: 'forward' }, at: 'front-foot-contact', towards: null, lengthIn: '%BH',
      target: like(8), margin: 3, importance: 0.4, cost: 'weeks',
    },
    {
      id: 'run-in-speed', name: 'Hips forward, peak', kind: 'speed', region: 'hips', plane: 'sagittal',
      point: 'mid-hip', relativeTo: null, along: 'forward', from: 'back-foot-contact', to: 'front-foot-contact', give: 'value', lengthIn: '%BH',
      margin: 0, importance: 0.3, cost: 'season',
    },
    {
      id: 'hand-speed', name: 'Bowling hand, peak', kind: 'speed', region: 'arms', plane: 'sagittal',
      point: 'dominant-wrist', relativeTo: 'mid-hip', along: 'straight', from: 'front-foot-contact', to: 'release', give: 'value', lengthIn: '%BH',
      margin: 0, importance: 0.3, cost: 'season',
    },
    {
      id: 'trunk-speed', name: 'Trunk forward, fastest', kind: 'peak-rate', region: 'trunk', plane: 'sagittal',
      of: { q: 'segment-angle', points: ['mid-hip', 'mid-shoulder'], against: 'up' }, from: 'front-foot-contact', to: 'release', direction: 'rising', give: 'value', lengthIn: '%BH',
      margin: 0, importance: 0.3, cost: 'season',
    },
    {
      id: 'centre-of-mass-at-release', name: 'Centre of mass, height', kind: 'value', region: 'trunk', plane: 'sagittal',
      of: { q: 'height', point: 'centre-of-mass' }, at: 'release', towards: null, lengthIn: '%BH',
      margin: 0, importance: 0.3, cost: 'season',
    },
    {
      id: 'head-steadiness', name: 'Head, circle it stays in', kind: 'steadiness', region: 'head', plane: 'sagittal',
      point: 'nose', relativeTo: 'mid-hip', from: 'front-foot-contact', to: 'release', lengthIn: '%BH',
      margin: 0, importance: 0.3, cost: 'weeks',
    },
  ],
  causes: [
    { cause: 'front-knee-at-front-foot-contact', effect: 'front-knee-at-release', share: 0.5, because: 'a knee that lands bent gives way further' },
    { cause: 'front-knee-at-release', effect: 'trunk-at-release', share: 0.5, because: 'the trunk falls over a knee that gives way' },
    { cause: 'front-knee-at-release', effect: 'front-hip-at-release', share: 0.6, because: 'hip and knee bend together' },
    { cause: 'front-knee-at-release', effect: 'front-shin-at-release', share: 0.6, because: 'the shin is pushed over the foot' },
    { cause: 'front-knee-at-release', effect: 'front-foot-to-release', share: 0.5, because: 'a leg that gives way passes the speed on late' },
    { cause: 'front-arm-lead', effect: 'front-arm-at-front-foot-contact', share: 0.7, because: 'an arm that starts down early is low at landing' },
  ],
  cautions: [
    { id: 'bowling-load', always: true, text: 'Pace delivery loads the lower back, the front knee and the front ankle: keep to the overs and rest days that the governing body sets for the age group, and change technique away from match load.' },
    { id: 'landing-load', always: false, text: 'A braced front leg takes several times body weight at landing: build it up with strength work, at reduced pace, and stop on knee, shin or back pain.' },
    { id: 'spinal-loading', always: false, text: 'Bending and twisting the trunk under load is linked to stress injuries of the lower back: back pain in a pace bowler is a reason to stop and see a licensed clinician.' },
    { id: 'legality', always: false, text: 'A picture from one camera cannot decide whether an action is legal; that takes the procedure of the governing body.' },
  ],
};
