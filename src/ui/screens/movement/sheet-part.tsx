import ClearIcon from '@mui/icons-material/Clear';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { freeId } from '../../../core/model/measure-form';
import { measureName, type CriteriaSheetDocument, type Criterion, type Movement } from '../../../core/model/movement';
import type { Derived } from '../../../application/analysis/derived';
import { changeSheet } from '../../../application/movement/movement-editing';
import { Choice, CommittedField, NumberField, Tick } from './plain-fields';
import { said } from './said';
import { TEXT } from '../../../text/screens/movement';

interface SheetPartProps {
  readonly movement: Movement;
  readonly derived: Derived;
}

type Gate = CriteriaSheetDocument['gates'][number];

/** How a trial is marked: criteria, each proved by a measure, and what is not given without some of them. */
export function SheetPart({ movement, derived }: SheetPartProps): ReactNode {
  const { sheet } = movement;
  const measures = movement.measures.filter((m) => m.target);
  const names = measures.map((m) => [m.id, measureName(movement, m)] as const);
  const criterionOf = (measureId: string, others: readonly Criterion[]): Criterion => ({
    id: freeId(
      measureId,
      others.map((c) => c.id),
    ),
    name: movement.measures.find((m) => m.id === measureId)!.name,
    measure: measureId,
    must: false,
    points: 1,
  });
  if (!sheet)
    return (
      <section className="card">
        <Typography variant="h2" gutterBottom>
          {TEXT.criteriaSheet}
        </Typography>
        <p className="note">{TEXT.noneSheetGivesPointsFor}</p>
        <Button
          variant="outlined"
          disabled={measures.length === 0}
          onClick={() =>
            said(
              changeSheet({
                name: TEXT.check,
                criteria: [criterionOf(measures[0]!.id, [])],
                gates: [],
                source: TEXT.analystsChoice,
              }),
            )
          }
        >
          {TEXT.addCriteriaSheet}
        </Button>
      </section>
    );
  const set = (change: Partial<CriteriaSheetDocument>): boolean => said(changeSheet({ ...sheet, ...change }));
  const setCriterion = (id: string, change: Partial<Criterion>): boolean =>
    set({ criteria: sheet.criteria.map((c) => (c.id === id ? { ...c, ...change } : c)) });
  const setGate = (i: number, change: Partial<Gate> | null): boolean =>
    set({ gates: sheet.gates.flatMap((g, k) => (k !== i ? [g] : change ? [{ ...g, ...change }] : [])) });
  const remove = (id: string): boolean => {
    const criteria = sheet.criteria.filter((c) => c.id !== id);
    if (criteria.length === 0) return said(changeSheet(null));
    const gates = sheet.gates.map((g) => ({ ...g, needs: g.needs.filter((n) => n !== id) }));
    return set({ criteria, gates: gates.filter((g) => g.needs.length > 0) });
  };
  const now = derived.sheet;
  return (
    <section className="card" data-testid="sheet-form">
      <div className="row-of-fields">
        <Typography variant="h2">{TEXT.criteriaSheet}</Typography>
        <div style={{ width: 220 }}>
          <CommittedField label={TEXT.nameOfSheet} value={sheet.name} onChange={(name) => set({ name })} />
        </div>
        <div style={{ flex: '1 1 220px' }}>
          <CommittedField label={TEXT.sourceOfSheet} value={sheet.source} onChange={(source) => set({ source })} />
        </div>
        {now && (
          <span className="note" data-testid="sheet-now">
            {TEXT.onOpenClipsPointsOf(now.points, now.most)}
          </span>
        )}
        <Button onClick={() => said(changeSheet(null))}>{TEXT.removeSheet}</Button>
      </div>
      {sheet.criteria.map((criterion, i) => {
        const nth = TEXT.criterionI(i + 1);
        return (
          <div key={criterion.id} className="criterion-fields">
            <CommittedField
              label={TEXT.nameOfNth(nth)}
              value={criterion.name}
              onChange={(name) => setCriterion(criterion.id, { name })}
            />
            <Choice
              label={TEXT.measureOfNth(nth)}
              value={criterion.measure}
              options={
                names.some(([id]) => id === criterion.measure)
                  ? names
                  : [[criterion.measure, TEXT.withoutTarget], ...names]
              }
              onChange={(measure) => setCriterion(criterion.id, { measure })}
            />
            <NumberField
              label={TEXT.points}
              width={80}
              value={criterion.points}
              onChange={(points) => setCriterion(criterion.id, { points })}
            />
            <Tick
              label={TEXT.mustBeThere}
              checked={criterion.must}
              onChange={(checked) => setCriterion(criterion.id, { must: checked })}
            />
            <IconButton size="small" aria-label={TEXT.removeNth(nth)} onClick={() => remove(criterion.id)}>
              <ClearIcon fontSize="small" />
            </IconButton>
          </div>
        );
      })}
      <div className="row-of-fields">
        <Choice
          label={TEXT.addCriterionFor}
          width={220}
          value=""
          options={names}
          onChange={(id) => set({ criteria: [...sheet.criteria, criterionOf(id, sheet.criteria)] })}
        />
      </div>
      <h3 style={{ margin: '10px 0 6px', fontSize: '.95rem' }}>{TEXT.whatHoldsPointsDown}</h3>
      {sheet.gates.map((gate, i) => (
        <div key={i} className="row-of-fields" style={{ marginBottom: 10 }}>
          <span>{TEXT.unless}</span>
          {sheet.criteria.map((c) => (
            <Tick
              key={c.id}
              label={c.name}
              checked={gate.needs.includes(c.id)}
              onChange={(checked) =>
                setGate(i, {
                  needs: checked ? [...gate.needs, c.id] : gate.needs.filter((n) => n !== c.id),
                })
              }
            />
          ))}
          <NumberField label={TEXT.atMost} width={90} value={gate.most} onChange={(most) => setGate(i, { most })} />
          <div style={{ flex: '1 1 220px' }}>
            <CommittedField label={TEXT.because} value={gate.because} onChange={(because) => setGate(i, { because })} />
          </div>
          <IconButton size="small" aria-label={TEXT.removeLimitI(i + 1)} onClick={() => setGate(i, null)}>
            <ClearIcon fontSize="small" />
          </IconButton>
        </div>
      ))}
      <Button
        size="small"
        onClick={() =>
          set({
            gates: [
              ...sheet.gates,
              {
                needs: [sheet.criteria[0]!.id],
                most: Math.floor(sheet.criteria.reduce((sum, c) => sum + c.points, 0) / 2),
                because: TEXT.isHeartOfIt(sheet.criteria[0]!.name.toLowerCase()),
              },
            ],
          })
        }
      >
        {TEXT.addLimit}
      </Button>
    </section>
  );
}
