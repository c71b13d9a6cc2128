import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import type { Measure } from '../../../core/model/measure';
import { measureName, type Movement } from '../../../core/model/movement';
import { linkCause } from '../../../application/movement/movement-editing';
import { Choice, CommittedField, NumberField } from './plain-fields';
import { said } from './said';
import { TEXT } from '../../../text/screens/movement';

const SIDES: readonly (readonly [string, string])[] = [
  ['', TEXT.eitherWay],
  ['low', TEXT.tooSmall],
  ['high', TEXT.tooLarge],
];
const sideOf = (side: string): 'low' | 'high' | undefined => (side === 'low' || side === 'high' ? side : undefined);

export interface CausesCardProps {
  readonly movement: Movement;
  readonly measure: Measure;
}

/** What a gap of this measure follows from. */
export function CausesCard({ movement, measure }: CausesCardProps): ReactNode {
  const causes = movement.causes.filter((link) => link.effect === measure.id);
  const others = movement.measures.filter((m) => m.id !== measure.id && !causes.some((c) => c.cause === m.id));
  return (
    <section className="card">
      <Typography variant="h2" gutterBottom>
        {TEXT.causesOfName(measure.name)}
      </Typography>
      {causes.map((link) => (
        <div key={link.cause} className="row-of-fields">
          <strong style={{ minWidth: 160 }}>
            {measureName(
              movement,
              movement.measures.find((m) => m.id === link.cause)!,
            )}
          </strong>
          <Choice
            label={TEXT.whenItIs}
            value={link.causeSide ?? ''}
            options={SIDES}
            onChange={(side) => said(linkCause(link.cause, link.effect, { causeSide: sideOf(side) }))}
          />
          <Choice
            label={TEXT.andThisIs}
            value={link.effectSide ?? ''}
            options={SIDES}
            onChange={(side) => said(linkCause(link.cause, link.effect, { effectSide: sideOf(side) }))}
          />
          <NumberField
            label={TEXT.share0To1}
            value={link.share}
            onChange={(share) => said(linkCause(link.cause, link.effect, { share }))}
          />
          <div style={{ flex: '1 1 220px' }}>
            <CommittedField
              label={TEXT.because}
              value={link.because}
              onChange={(because) => said(linkCause(link.cause, link.effect, { because }))}
            />
          </div>
          <Button onClick={() => said(linkCause(link.cause, link.effect, null))}>{TEXT.remove}</Button>
        </div>
      ))}
      <Choice
        label={TEXT.addCause}
        width={200}
        value=""
        options={others.map((m) => [m.id, measureName(movement, m)] as const)}
        onChange={(cause) => said(linkCause(cause, measure.id, {}))}
      />
    </section>
  );
}
