import { like } from '../like';
import { angleAt, because, directionAt, family, moment, phaseTime, trunkAt } from './parts';
import { ROTATIONAL_THROW } from './words/rotational-throw';

export const rotationalThrow = family({
  id: 'rotational-throw',
  name: 'Throw with turns',
  points: [{ id: 'own-implement', name: 'Implement', hint: 'The middle of the implement\u2019s head.' }],
  moments: [
    moment('start', 'Start of the turn', '1', 'The body begins to turn out of its rest.'),
    moment('first-foot-down', 'First foot down', '2', 'First frame in which the pivoting foot is down again.'),
    moment(
      'second-foot-down',
      'Second foot down',
      '3',
      'First frame in which both feet are on the ground for the delivery.',
    ),
    moment('release', 'Release', '4', 'Last frame in which the implement is in the hand.'),
  ],
  measures: [
    angleAt('pivot-knee', 'Knee of the pivoting leg', 'dominant', 'knee', 'first-foot-down', 0.7),
    angleAt('front-knee', 'Knee of the bracing leg', 'opposite', 'knee', 'release', 0.8),
    trunkAt('second-foot-down'),
    trunkAt('release', 0.7),
    {
      id: 'shoulder-turn',
      name: 'Shoulders turn',
      kind: 'rotation',
      region: 'trunk',
      plane: 'transverse',
      of: { type: 'segment-angle', points: ['dominant-shoulder', 'opposite-shoulder'], against: 'forward' },
      from: 'start',
      to: 'release',
      target: like(15),
      margin: 5,
      importance: 0.6,
      cost: 'season',
    },
    {
      id: 'separation',
      name: 'Shoulders against hips',
      kind: 'value',
      region: 'trunk',
      plane: 'transverse',
      of: {
        type: 'line-separation',
        points: ['opposite-shoulder', 'dominant-shoulder'],
        from: ['opposite-hip', 'dominant-hip'],
      },
      at: 'second-foot-down',
      target: like(8),
      margin: 3,
      importance: 0.8,
      cost: 'season',
      risk: 'spine',
    },
    {
      id: 'implement-path',
      name: 'Way of the implement',
      kind: 'path',
      region: 'arms',
      plane: 'any',
      point: 'own-implement',
      what: 'length',
      from: 'second-foot-down',
      to: 'release',
      target: like(8),
      margin: 3,
      importance: 0.5,
      cost: 'season',
    },
    directionAt(
      'release-direction',
      'Direction of the implement at release',
      'arms',
      'own-implement',
      ['second-foot-down', 'release'],
      0.8,
    ),
    phaseTime('first-foot-down', 'second-foot-down', 'Foot to foot', 0.8),
    phaseTime('second-foot-down', 'release', 'Delivery', 0.7),
  ],
  cautions: [
    {
      id: 'spine',
      always: false,
      text:
        'Twisting the trunk under load strains the lower back: build it up with light implements, and stop on back ' +
        'pain.',
    },
  ],
  words: ROTATIONAL_THROW,
  causes: [
    because(
      ['pivot-knee', 'high'],
      ['time-first-foot-down-second-foot-down', 'high'],
      0.4,
      'a straight leg turns slowly',
    ),
    because(
      ['time-first-foot-down-second-foot-down', 'high'],
      ['separation', 'low'],
      0.5,
      'the shoulders catch up with the hips while only one foot is down',
    ),
    because(
      ['trunk-at-second-foot-down', 'high'],
      ['implement-path', 'low'],
      0.5,
      'what has gone forward already has no way left',
    ),
    because(['front-knee', 'low'], ['trunk-at-release', 'high'], 0.4, 'the trunk bends over a leg that gives way'),
  ],
});
