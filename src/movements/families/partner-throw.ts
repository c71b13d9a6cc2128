import { like } from '../like';
import { angleAt, because, family, moment, phaseTime, trunkAt, TRUNK } from './parts';
import { PARTNER_THROW } from './words/partner-throw';

export const partnerThrow = family({
  id: 'partner-throw',
  name: 'Grip and throw of a partner',
  points: [
    {
      id: 'own-partner-hip',
      name: 'Partner\u2019s hip',
      hint: 'The middle of the hips of the one who is thrown.',
      partner: 'mid-hip',
    },
    {
      id: 'own-partner-shoulder',
      name: 'Partner\u2019s shoulder',
      hint: 'The middle of the shoulders of the one who is thrown.',
      partner: 'mid-shoulder',
    },
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
    {
      id: 'hips-below',
      name: 'Hips below the partner\u2019s',
      kind: 'value',
      region: 'hips',
      plane: 'sagittal',
      of: { type: 'offset', points: ['mid-hip', 'own-partner-hip'], axis: 'up' },
      at: 'entry',
      target: like(4),
      margin: 2,
      importance: 0.9,
      cost: 'weeks',
    },
    {
      id: 'bodies',
      name: 'Angle between the two trunks',
      kind: 'value',
      region: 'trunk',
      plane: 'sagittal',
      of: { type: 'line-separation', points: TRUNK, from: ['own-partner-hip', 'own-partner-shoulder'] },
      at: 'lift',
      target: like(10),
      margin: 4,
      importance: 0.7,
      cost: 'season',
    },
    trunkAt('lift', 0.7),
    {
      id: 'turned-in',
      name: 'Turned in',
      kind: 'rotation',
      region: 'hips',
      plane: 'transverse',
      of: { type: 'segment-angle', points: ['dominant-hip', 'opposite-hip'], against: 'forward' },
      from: 'grip',
      to: 'entry',
      target: like(15),
      margin: 8,
      importance: 0.7,
      cost: 'season',
    },
    phaseTime('entry', 'lift', 'Entry to lift', 0.8),
  ],
  cautions: [
    {
      id: 'fall',
      always: true,
      text:
        'Throws are practised on mats with partners who can fall; load on neck and spine is for qualified ' +
        'supervision.',
    },
  ],
  words: PARTNER_THROW,
  causes: [
    because(['knee-at-entry', 'high'], ['hips-below', 'high'], 0.6, 'straight knees keep the hips up'),
    because(
      ['hips-below', 'high'],
      ['trunk-at-lift', 'high'],
      0.5,
      'what the legs do not lift the trunk must pull over',
    ),
    because(
      ['turned-in', 'low'],
      ['bodies', 'high'],
      0.5,
      'hips that have not turned in leave space between the bodies',
    ),
  ],
});
