import ClearIcon from '@mui/icons-material/Clear';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { freeId, pointRefs } from '../../../core/model/measure-form';
import type { Movement } from '../../../core/model/movement';
import {
  addPoint,
  changeCautions,
  changeKnownLengths,
  changeRepeats,
  followPartner,
  removePoint,
} from '../../../application/movement/movement-editing';
import { AddByName } from './add-by-name';
import { refName } from './names';
import { Choice, CommittedField, NumberField, Tick } from './plain-fields';
import { said } from './said';
import { SchoolsCard } from './schools-card';
import { TEXT } from '../../../text/screens/movement';

interface PartProps {
  readonly movement: Movement;
}

/** What a movement holds beside its moments, measures and sheet. */
export function RestPart({ movement }: PartProps): ReactNode {
  return (
    <div style={{ display: 'grid', gap: 12 }}>
      <CautionsCard movement={movement} />
      <SchoolsCard movement={movement} />
      <RepetitionsCard movement={movement} />
      <PointsCard movement={movement} />
      <LengthsCard movement={movement} />
    </div>
  );
}

const Remove = ({ what, onClick }: { readonly what: string; readonly onClick: () => void }): ReactNode => (
  <IconButton size="small" aria-label={TEXT.removeWhat(what)} onClick={onClick}>
    <ClearIcon fontSize="small" />
  </IconButton>
);

function CautionsCard({ movement: { cautions, measures } }: PartProps): ReactNode {
  type Caution = (typeof cautions)[number];
  const set = (id: string, change: Partial<Caution> | null): boolean =>
    said(changeCautions(cautions.flatMap((c) => (c.id !== id ? [c] : change ? [{ ...c, ...change }] : []))));
  return (
    <section className="card">
      <Typography variant="h2" gutterBottom>
        {TEXT.cautions}
      </Typography>
      <p className="note">{TEXT.whatStandsOnEveryReport}</p>
      {cautions.map((caution, i) => {
        const risky = measures.filter((m) => m.risk === caution.id).map((m) => m.name);
        return (
          <div key={caution.id} className="row-of-fields" style={{ marginBottom: 10 }}>
            <div style={{ flex: '1 1 420px' }}>
              <CommittedField
                label={TEXT.cautionI(i + 1)}
                multiline
                value={caution.text}
                onChange={(text) => set(caution.id, { text })}
              />
            </div>
            <Tick
              label={TEXT.onEveryReport}
              checked={caution.always}
              onChange={(checked) => set(caution.id, { always: checked })}
            />
            <span className="note">{risky.length > 0 && TEXT.riskOfRisky(risky.join(', '))}</span>
            <Remove what={TEXT.cautionIWithI(i + 1)} onClick={() => set(caution.id, null)} />
          </div>
        );
      })}
      <Button
        size="small"
        onClick={() =>
          said(
            changeCautions([
              ...cautions,
              {
                id: freeId(
                  'caution',
                  cautions.map((c) => c.id),
                ),
                text: TEXT.stopOnPain,
                always: false,
              },
            ]),
          )
        }
      >
        {TEXT.addCaution}
      </Button>
    </section>
  );
}

function RepetitionsCard({ movement: { moments, repeats } }: PartProps): ReactNode {
  return (
    <section className="card">
      <Typography variant="h2" gutterBottom>
        {TEXT.repetitions}
      </Typography>
      <div className="row-of-fields" style={{ marginBottom: 0 }}>
        <Choice
          label={TEXT.countedBy}
          value={repeats?.by ?? ''}
          options={[['', TEXT.clipHoldsOne], ...moments.map((m) => [m.id, m.name] as const)]}
          onChange={(by) => said(changeRepeats(by === '' ? null : { by, cycle: repeats?.cycle ?? false }))}
        />
        {repeats && (
          <Tick
            label={TEXT.cycleOneEndsWhereNext}
            checked={repeats.cycle}
            onChange={(checked) => said(changeRepeats({ ...repeats, cycle: checked }))}
          />
        )}
      </div>
    </section>
  );
}

type PartnerRef = NonNullable<Movement['points'][number]['partner']>;
/** Points of another person of the picture that one of a movement can be. */
const PARTNERS = pointRefs({ points: [] })
  .filter((ref) => ref !== 'centre-of-mass')
  .map((ref) => [ref, TEXT.partnersPoint(refName(ref, { points: [] }))] as const);

function PointsCard({ movement: { points } }: PartProps): ReactNode {
  return (
    <section className="card">
      <Typography variant="h2" gutterBottom>
        {TEXT.pointsBesideBody}
      </Typography>
      {points.length === 0 && <p className="note">{TEXT.noneBodysOwnPointsAre}</p>}
      <ul className="plain">
        {points.map((p) => (
          <li key={p.id}>
            <strong>{p.name}</strong>: {p.hint} <Remove what={p.name} onClick={() => said(removePoint(p.id))} />
            <div style={{ padding: '8px 0' }}>
              <Choice
                label={TEXT.followsOf(p.name)}
                width={270}
                value={p.partner ?? ''}
                options={[['', TEXT.placedByHand], ...PARTNERS]}
                onChange={(ref) => said(followPartner(p.id, ref === '' ? null : (ref as PartnerRef)))}
              />
            </div>
          </li>
        ))}
      </ul>
      <AddByName
        label={TEXT.furtherPoint}
        button={TEXT.addFurtherPoint}
        onAdd={(name) => said(addPoint(name, TEXT.placedByHandThenFollowed))}
      />
    </section>
  );
}

function LengthsCard({ movement: { knownLengths } }: PartProps): ReactNode {
  const set = (i: number, change: Partial<(typeof knownLengths)[number]> | null): boolean =>
    said(changeKnownLengths(knownLengths.flatMap((l, k) => (k !== i ? [l] : change ? [{ ...l, ...change }] : []))));
  return (
    <section className="card">
      <Typography variant="h2" gutterBottom>
        {TEXT.knownLengths}
      </Typography>
      <p className="note">{TEXT.whatStandsInPictureOf}</p>
      {knownLengths.map((length, i) => (
        <div key={i} className="row-of-fields" style={{ marginBottom: 10 }}>
          <div style={{ flex: '0 1 420px' }}>
            <CommittedField
              label={TEXT.whatHasLengthI(i + 1)}
              value={length.name}
              onChange={(name) => set(i, { name })}
            />
          </div>
          <NumberField label={TEXT.metres} value={length.metres} onChange={(metres) => set(i, { metres })} />
          <Remove what={TEXT.lengthI(i + 1)} onClick={() => set(i, null)} />
        </div>
      ))}
      <Button
        size="small"
        onClick={() => said(changeKnownLengths([...knownLengths, { name: TEXT.measuredOnGround, metres: 1 }]))}
      >
        {TEXT.addLength}
      </Button>
    </section>
  );
}
