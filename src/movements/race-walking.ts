import type { MovementDocument } from '../core/model/movement';
import { like } from './like';

const KNEE = ['dominant-hip', 'dominant-knee', 'dominant-ankle'] as const;
const RULE = 'published: World Athletics technical rules, TR54: the advancing leg is straight from first contact until the vertical upright position';

/** Race walking, seen from the side: one stride of the leg of the dominant side. */
export const raceWalking: MovementDocument = {
  schemaVersion: 1,
  id: 'race-walking',
  name: 'Race walking stride',
  sport: 'Athletics',
  repeats: { by: 'vertical', cycle: true },
  knownLengths: [{ name: 'Width of a lane (World Athletics)', metres: 1.22 }],
  schools: [
    { id: 'long-step', name: 'Long step', because: 'Reach makes the speed: a long step at an easy rate, with much turn of the pelvis, costs less in a long race.', targets: { 'step-rate': null, 'step-length': { type: 'same-as-reference', tolerance: 3, source: 'tolerance: analyst\u2019s choice' } } },
    { id: 'quick-step', name: 'Quick step', because: 'Rate makes the speed: short quick steps keep the foot under the body and the feet on the ground.', targets: { 'step-length': null, reach: { type: 'same-as-reference', tolerance: 2, source: 'tolerance: analyst\u2019s choice' } } },
  ],
  sheet: {
    name: 'Judges\u2019 view',
    source: 'published: World Athletics technical rules, TR54, read as criteria; the points are the analyst\u2019s choice',
    criteria: [
      { id: 'straight-at-contact', name: 'Leg straight at first contact', measure: 'knee-at-heel-strike', must: true, points: 3 },
      { id: 'straight-to-vertical', name: 'Leg straight until vertical', measure: 'knee-least-in-front-support', must: true, points: 3 },
      { id: 'contact-kept', name: 'No loss of contact that is seen', measure: 'loss-of-contact', must: true, points: 3 },
      { id: 'upright', name: 'Upright trunk', measure: 'trunk-lean', must: false, points: 1 },
      { id: 'even', name: 'Little up and down', measure: 'centre-of-mass-rise', must: false, points: 1 },
      { id: 'rate', name: 'Step rate', measure: 'step-rate', must: false, points: 1 },
    ],
    gates: [{ needs: ['straight-at-contact', 'straight-to-vertical', 'contact-kept'], most: 4, because: 'without a straight leg and kept contact it is not race walking' }],
  },
  moments: [
    { id: 'opposite-toe-off', name: 'Other foot leaves', key: '1', look: 'Last frame in which the toe of the other foot is on the ground, before the leg of the dominant side lands.', frame: 'last', rule: { rule: 'contact', side: 'opposite', edge: 'lift-off', take: 'last', before: 'vertical' } },
    { id: 'heel-strike', name: 'Heel strike', key: '2', look: 'First frame in which the heel of the dominant side touches the ground.', frame: 'first', rule: { rule: 'contact', side: 'dominant', edge: 'touch-down', take: 'last', before: 'vertical' } },
    { id: 'vertical', name: 'Vertical', key: '3', look: 'The hip of the dominant side passes over its ankle.', rule: { rule: 'crossing', of: { q: 'offset', points: ['dominant-hip', 'dominant-ankle'], axis: 'forward' }, level: 0, direction: 'rising', take: 'first' } },
    { id: 'toe-off', name: 'Toe off', key: '4', look: 'Last frame in which the toe of the dominant side is on the ground.', frame: 'last', rule: { rule: 'contact', side: 'dominant', edge: 'lift-off', take: 'first', after: 'vertical' } },
    { id: 'knees-pass', name: 'Knees pass', key: '5', look: 'The swinging knee of the dominant side passes the standing one.', rule: { rule: 'crossing', of: { q: 'offset', points: ['dominant-knee', 'opposite-knee'], axis: 'forward' }, level: 0, direction: 'rising', take: 'first', after: 'toe-off' } },
    { id: 'next-heel-strike', name: 'Next heel strike', key: '6', look: 'First frame in which the same heel touches the ground again.', frame: 'first', rule: { rule: 'contact', side: 'dominant', edge: 'touch-down', take: 'first', after: 'knees-pass' } },
  ],
  phases: [
    { from: 'opposite-toe-off', to: 'heel-strike', name: 'Change of feet' },
    { from: 'heel-strike', to: 'vertical', name: 'Front support' },
    { from: 'vertical', to: 'toe-off', name: 'Rear support' },
    { from: 'toe-off', to: 'knees-pass', name: 'Early swing' },
    { from: 'knees-pass', to: 'next-heel-strike', name: 'Late swing' },
  ],
  measures: [
    {
      id: 'knee-at-heel-strike', name: 'Knee', kind: 'value', region: 'legs', plane: 'sagittal', of: { q: 'joint-angle', points: [...KNEE] }, at: 'heel-strike',
      target: { type: 'at-least', value: 175, source: `${RULE}; 175 degrees is the analyst\u2019s reading of straight` }, margin: 3, importance: 0.95, cost: 'weeks', risk: 'judges-decide',
      coaching: {
        seenLow: 'The knee is bent when the heel touches the ground', seenHigh: 'The knee is pushed back behind straight',
        why: 'The rule asks for a straight leg from the first contact; a knee that lands bent also gives up the stride\u2019s reach.',
        cue: 'Pull the toes up and reach with a long leg.',
        drills: ['Stand tall and roll the hip forward over a straight leg', 'Walk slowly, landing every step on a straight knee', 'Fifty metres at training pace, then at race pace'],
        selfCheck: 'Side camera at knee height; step to the first frame of contact and read the knee.',
      },
    },
    {
      id: 'knee-least-in-front-support', name: 'Knee, most bent', kind: 'extreme', region: 'legs', plane: 'sagittal', of: { q: 'joint-angle', points: [...KNEE] }, from: 'heel-strike', to: 'vertical', which: 'smallest',
      target: { type: 'at-least', value: 172, source: `${RULE}; 172 degrees is the analyst\u2019s reading of straight under load` }, margin: 3, importance: 0.95, cost: 'weeks', risk: 'judges-decide',
      coaching: {
        seenLow: 'The knee gives way before the body is over the foot', seenHigh: 'The knee is pushed back behind straight',
        why: 'The leg has to stay straight until the body is over it.',
        cue: 'Tall over the foot, hip first.',
        drills: ['Hold the vertical position on a straight leg', 'Walk uphill with short steps on straight knees', 'Race pace over a hundred metres, filmed from the side'],
        selfCheck: 'Side camera at knee height; look for the smallest knee angle from contact to vertical.',
      },
    },
    {
      id: 'loss-of-contact', name: 'Both feet off the ground', kind: 'duration', region: 'timing', plane: 'any', from: 'opposite-toe-off', to: 'heel-strike',
      target: { type: 'at-most', value: 40, source: 'common practice: about 40 ms are not seen by the eye, which is what the rule on contact asks for' }, margin: 8, importance: 0.9, cost: 'weeks', risk: 'judges-decide',
      coaching: {
        seenLow: 'The feet change with both on the ground', seenHigh: 'Both feet are off the ground for longer than the eye overlooks',
        why: 'The rule asks that no loss of contact is visible.',
        cue: 'Quick feet, low hips, push back and not up.',
        drills: ['Walk at high step rate with short steps', 'Downhill with quick feet', 'Race pace with a metronome'],
        selfCheck: 'Film at 120 frames per second or more; count the frames in which neither foot is on the ground.',
      },
    },
    { id: 'step-rate', name: 'Step rate', kind: 'rate', region: 'timing', plane: 'any', from: 'heel-strike', to: 'next-heel-strike', count: 2, target: like(8), margin: 3, importance: 0.6, cost: 'weeks',
      coaching: {
        seenLow: 'The steps come slowly', seenHigh: 'The steps come fast',
        why: 'Speed is step length times rate: which of the two is missing decides what is trained.',
        cue: 'Quick feet under you.',
        drills: ['Walk on the spot to a metronome at the wanted rate', 'Two minutes to it at easy speed', 'Race speed with it, then without'],
      },
    },
    { id: 'reach', name: 'Foot ahead of the hip', kind: 'value', region: 'legs', plane: 'sagittal', of: { q: 'offset', points: ['dominant-ankle', 'dominant-hip'], axis: 'forward' }, at: 'heel-strike', target: like(3), margin: 1, importance: 0.5, cost: 'weeks',
      coaching: {
        seenLow: 'The foot lands under the body', seenHigh: 'The foot is set far ahead of the body',
        why: 'A foot far ahead brakes, and loads the knee before the body is over it.',
        cue: 'Put the foot down, do not throw it.',
        drills: ['Step on the spot and set the heel a foot\u2019s length ahead', 'Walk over lines that are a little too close', 'Race speed with the same picture'],
      },
    },
    { id: 'step-length', name: 'Step', kind: 'value', region: 'legs', plane: 'sagittal', of: { q: 'offset', points: ['dominant-heel', 'opposite-heel'], axis: 'forward' }, at: 'heel-strike', target: like(4), margin: 2, importance: 0.7, cost: 'season',
      coaching: {
        seenLow: 'The step is short', seenHigh: 'The step is long',
        why: 'Length that comes from behind carries; length that comes from reaching ahead brakes.',
        cue: 'Push longer behind, reach no farther ahead.',
        drills: ['Stand with the rear foot on its toe and push the hip through', 'Uphill walking with long pushes', 'Race speed on marks'],
      },
    },
    { id: 'step-on-the-ground', name: 'Step on the ground', kind: 'value', region: 'legs', plane: 'any', of: { q: 'ground-distance', points: ['dominant-heel', 'opposite-heel'] }, at: 'heel-strike', importance: 0.4, cost: 'season' },
    { id: 'shin-at-heel-strike', name: 'Shin to vertical', kind: 'value', region: 'legs', plane: 'sagittal', of: { q: 'segment-angle', points: ['dominant-ankle', 'dominant-knee'], against: 'up' }, at: 'heel-strike', target: like(5), margin: 2, importance: 0.4, cost: 'weeks',
      coaching: {
        seenLow: 'The foot is set far ahead of its knee', seenHigh: 'The knee is over its foot at contact',
        why: 'A shin that slopes back brakes each step and asks the knee to bend.',
        cue: 'Heel down close, toes up.',
        drills: ['Stand tall and lower the heel with the toes up', 'Slow walk, heel first and close', 'Race speed, filmed from the side'],
      },
    },
    { id: 'trunk-lean', name: 'Trunk lean', kind: 'value', region: 'trunk', plane: 'sagittal', of: { q: 'segment-angle', points: ['mid-hip', 'mid-shoulder'], against: 'up' }, at: 'vertical', target: like(4), margin: 2, importance: 0.5, cost: 'weeks',
      coaching: {
        seenLow: 'The trunk leans back', seenHigh: 'The trunk leans forward',
        why: 'Leaning forward stops the hips from going through; leaning back loads the lower back and shortens the push.',
        cue: 'Tall from the ankle.',
        drills: ['Stand tall against a wall, then lean from the ankle', 'Walk with the hands behind the head', 'Race speed, look at the horizon'],
      },
    },
    { id: 'hip-behind', name: 'Thigh behind at toe off', kind: 'value', region: 'hips', plane: 'sagittal', of: { q: 'segment-angle', points: ['dominant-hip', 'dominant-knee'], against: 'down' }, at: 'toe-off', target: like(5), margin: 2, importance: 0.6, cost: 'season',
      coaching: {
        seenLow: 'The push ends early', seenHigh: 'The push goes on very long',
        why: 'Most of the step\u2019s length comes from the leg that stays on the ground behind the body.',
        cue: 'Leave the toe behind.',
        drills: ['Split stance, rear toe down, hip through, and hold', 'Long slow steps, rear toe last', 'Race speed, filmed from the side'],
      },
    },
    { id: 'knee-in-swing', name: 'Swinging knee, most bent', kind: 'extreme', region: 'legs', plane: 'sagittal', of: { q: 'joint-angle', points: [...KNEE] }, from: 'toe-off', to: 'next-heel-strike', which: 'smallest', target: like(8), margin: 3, importance: 0.4, cost: 'weeks',
      coaching: {
        seenLow: 'The swinging foot is lifted high', seenHigh: 'The swinging foot drags low',
        why: 'A foot that is lifted high goes up and down instead of forward; one that is too low scrapes.',
        cue: 'Low and fast, just over the ground.',
        drills: ['Swing the leg over a line, then over a shoe', 'Walk between low sticks', 'Race speed on a soft surface'],
      },
    },
    { id: 'elbow', name: 'Elbow', kind: 'value', region: 'arms', plane: 'sagittal', of: { q: 'joint-angle', points: ['opposite-shoulder', 'opposite-elbow', 'opposite-wrist'] }, at: 'vertical', target: like(12), margin: 4, importance: 0.3, cost: 'minutes',
      coaching: {
        seenLow: 'The elbow is bent tightly', seenHigh: 'The elbow is open',
        why: 'The arm is a pendulum that sets the rate: tight is quick, long is slow.',
        cue: 'Hand from hip to breastbone.',
        drills: ['Arms alone before a mirror, to a metronome', 'Walk on the spot with them', 'Race speed'],
      },
    },
    { id: 'centre-of-mass-rise', name: 'Centre of mass up and down', kind: 'range', region: 'trunk', plane: 'sagittal', of: { q: 'height', point: 'centre-of-mass' }, from: 'heel-strike', to: 'next-heel-strike', target: like(1.5), margin: 0.5, importance: 0.5, cost: 'season',
      coaching: {
        seenLow: 'The body hardly goes up and down', seenHigh: 'The body goes up and down much',
        why: 'Up and down costs strength, and is what looks like a loss of contact.',
        cue: 'Level head.',
        drills: ['Walk beside a wall with a line at eye height', 'Walk with a light bag on the head', 'Race speed, filmed from the side'],
      },
    },
    { id: 'walking-speed', name: 'Speed, peak', kind: 'speed', region: 'hips', plane: 'sagittal', point: 'mid-hip', along: 'forward', from: 'heel-strike', to: 'next-heel-strike', importance: 0.3, cost: 'season' },
  ],
  causes: [
    { cause: 'reach', effect: 'knee-least-in-front-support', causeSide: 'high', effectSide: 'low', share: 0.4, because: 'a foot set far ahead loads the knee before the body is over it' },
    { cause: 'knee-at-heel-strike', effect: 'knee-least-in-front-support', causeSide: 'low', effectSide: 'low', share: 0.6, because: 'a knee that lands bent stays bent' },
  ],
  cautions: [
    { id: 'judges-decide', always: false, text: 'Whether a step is legal is decided by the judges\u2019 eyes during the race, not by a picture.' },
    { id: 'walking-load', always: true, text: 'A straight leg and a quick rolling hip load shin, hamstring and hip: change technique at easy pace and reduced distance, and stop on pain.' },
  ],
};
