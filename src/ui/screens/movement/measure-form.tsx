import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { judge } from '../../../core/judgement/state';
import { compareMeasure } from '../../../core/comparison/compare';
import { unitOf } from '../../../core/measures';
import { dimensionOf } from '../../../core/quantities';
import { ALL_KINDS, asKind, fieldsOfKind, type Field } from '../../../core/model/measure-form';
import { COSTS, type Measure, type MeasureKind } from '../../../core/model/measure';
import { withSchool, type Movement } from '../../../core/model/movement';
import type { Derived } from '../../../application/analysis/derived';
import { readingText, signed } from '../../components/format';
import { StateMark } from '../../components/state-mark';
import { FieldEditor } from './fields';
import { SignCard } from './sign-card';
import { Choice, CommittedField, NumberField } from './plain-fields';
import { StagesButton } from './stages-button';
import { TargetFields } from './target-fields';
import { words } from './names';
import { TEXT } from '../../../text/screens/movement';

interface MeasureFormProps {
  readonly measure: Measure;
  readonly movement: Movement;
  readonly derived: Derived;
  readonly onChange: (measure: Measure) => void;
  readonly onRemove: () => void;
  readonly onShow: () => void;
}

const REGIONS = ['legs', 'hips', 'trunk', 'arms', 'head', 'timing'] as const;
const PLANES: readonly (readonly [string, string])[] = [
  ['sagittal', TEXT.fromSide],
  ['frontal', TEXT.fromFrontOrBehind],
  ['transverse', TEXT.fromAbove],
  ['any', TEXT.fromAnywhere],
];
/** One measure: what, on which points, when, against what target, with its value on the open clips. */
export function MeasureForm({ measure, movement, derived, onChange, onRemove, onShow }: MeasureFormProps): ReactNode {
  const set = (change: object): void => onChange({ ...measure, ...change } as Measure);
  const { target } = measure;
  const unit = unitOf(measure);
  // In what lengths are given says nothing of an angle.
  const isAsked = ({ key }: Field): boolean =>
    key !== 'lengthIn' || !('of' in measure) || dimensionOf(measure.of) === 'length';
  const inSchool = withSchool({ ...movement, measures: [measure] }, derived.school?.id ?? null).measures[0]!;
  const judged =
    derived.sides.athlete.length > 0
      ? judge(
          compareMeasure(
            inSchool,
            derived.sides.athlete,
            derived.sides.referenceOf(measure),
            derived.session.measuredErrors,
          ),
          undefined,
        )
      : null;
  const coaching = measure.coaching ?? { seenLow: '', seenHigh: '', why: '', cue: '', drills: [], selfCheck: '' };
  const setCoaching = (change: object): void => {
    const next = { ...coaching, ...change };
    set({ coaching: next.drills.length > 0 ? next : { ...next, drills: [TEXT.holdThenSlowThenFull] } });
  };
  return (
    <section className="card" data-testid="measure-form">
      <div className="row-of-fields">
        <div style={{ width: 240 }}>
          <CommittedField label={TEXT.name} value={measure.name} onChange={(name) => set({ name })} />
        </div>
        <Choice
          label={TEXT.kind}
          value={measure.kind}
          options={ALL_KINDS.map((kind) => [kind, words(kind)] as const)}
          onChange={(kind) => onChange({ ...asKind(measure, kind as MeasureKind, movement), id: measure.id })}
        />
        <Choice
          label={TEXT.region}
          value={measure.region}
          options={REGIONS.map((r) => [r, words(r)] as const)}
          onChange={(region) => set({ region })}
        />
        <Choice label={TEXT.camera} value={measure.plane} options={PLANES} onChange={(plane) => set({ plane })} />
      </div>
      <div className="row-of-fields">
        {fieldsOfKind(measure.kind)
          .filter(isAsked)
          .map((field) => (
            <FieldEditor
              key={field.key}
              field={field}
              value={(measure as unknown as Record<string, unknown>)[field.key]}
              movement={movement}
              onChange={(value) => set({ [field.key]: value })}
            />
          ))}
      </div>
      <SignCard measure={measure} />
      <div className="row-of-fields">
        <TargetFields measure={measure} target={target} onChange={(next) => set({ target: next })}>
          {target && <NumberField label={TEXT.margin} value={measure.margin} onChange={(margin) => set({ margin })} />}
        </TargetFields>
      </div>
      <div className="row-of-fields">
        <NumberField
          label={TEXT.importance0To1}
          value={measure.importance}
          width={140}
          onChange={(importance) => set({ importance })}
        />
        <Choice
          label={TEXT.takesToChange}
          value={measure.cost}
          options={COSTS.map((c) => [c, words(c)] as const)}
          onChange={(cost) => set({ cost })}
        />
        <Choice
          label={TEXT.betterThanReference}
          value={measure.better ?? ''}
          options={[
            ['', TEXT.neitherSide],
            ['higher', TEXT.higher],
            ['lower', TEXT.lower],
          ]}
          onChange={(better) => set({ better: better || undefined })}
        />
        <Choice
          label={TEXT.risk}
          value={measure.risk ?? ''}
          options={[['', TEXT.none], ...movement.cautions.map((c) => [c.id, words(c.id)] as const)]}
          onChange={(risk) => set({ risk: risk || undefined })}
        />
      </div>
      {judged && (
        <p data-testid="measure-preview" style={{ margin: '4px 0 10px' }}>
          <StateMark state={judged.state} /> {TEXT.athlete} <strong>{readingText(judged.athlete).value}</strong>{' '}
          {readingText(judged.athlete).plusMinus}
          {judged.reference.measurable && (
            <>
              {TEXT.reference} <strong>{readingText(judged.reference).value}</strong>{' '}
              {readingText(judged.reference).plusMinus}
            </>
          )}
          {judged.difference !== null && <>{TEXT.differenceSigned(signed(judged.difference, unit))}</>}
          {!judged.athlete.measurable && (
            <>
              : {judged.athlete.message}. {judged.athlete.remedy}
            </>
          )}
        </p>
      )}
      <details>
        <summary>{TEXT.whatIsSaidWhenIt}</summary>
        <div style={{ display: 'grid', gap: 8, marginTop: 8 }}>
          <CommittedField
            label={TEXT.seenWhenItIsToo}
            value={coaching.seenLow}
            onChange={(seenLow) => setCoaching({ seenLow })}
          />
          <CommittedField
            label={TEXT.seenWhenItIsTooLarge}
            value={coaching.seenHigh}
            onChange={(seenHigh) => setCoaching({ seenHigh })}
          />
          <CommittedField label={TEXT.whyItMatters} value={coaching.why} onChange={(why) => setCoaching({ why })} />
          <CommittedField label={TEXT.cue} value={coaching.cue} onChange={(cue) => setCoaching({ cue })} />
          <CommittedField
            label={TEXT.drillsOneLineHoldSlow}
            multiline
            value={coaching.drills.join('\n')}
            onChange={(text) =>
              setCoaching({
                drills: text
                  .split('\n')
                  .map((l) => l.trim())
                  .filter(Boolean),
              })
            }
          />
          <StagesButton measure={measure} movement={movement} onChange={(ladder) => setCoaching({ ladder })} />
          <CommittedField
            label={TEXT.howAthleteChecksItAlone}
            value={coaching.selfCheck}
            onChange={(selfCheck) => setCoaching({ selfCheck })}
          />
        </div>
      </details>
      <div style={{ marginTop: 8 }}>
        <Button onClick={onShow}>{TEXT.seeItOnClips}</Button>
        <Button onClick={onRemove}>{TEXT.removeThisMeasure}</Button>
      </div>
    </section>
  );
}
