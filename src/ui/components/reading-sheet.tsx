import type { ReactNode } from 'react';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { Judged } from '../../core/judgement/state';
import { isInSpace, type NotMeasurable, type Reading } from '../../core/reading';
import { COVERAGE_95 } from '../../core/statistics/normal';
import { DifferenceBar } from '../charts/difference-bar';
import type { Check } from '../../core/model/check';
import { useDerived } from '../../application/analysis/use-derived';
import { answerCheck } from '../../application/findings/finding-use-cases';
import { useView } from '../../application/stores/view-store';
import { FacingAnswer } from './facing-dial';
import { plusMinus, readingText, signed } from './format';
import { StateMark } from './state-mark';
import { TEXT } from '../../text/components/common';

const forBar = (reading: Reading): { value: number; plusMinus: number } | null =>
  reading.measurable ? { value: reading.value, plusMinus: COVERAGE_95 * reading.sd } : null;

interface ReadingSheetProps {
  readonly rows: readonly Judged[];
  /** Choosing a row goes to the frames that prove it. */
  readonly onChoose: (row: Judged) => void;
}

const ANSWERS: readonly (readonly [Check, string])[] = [
  ['yes', TEXT.yes],
  ['partly', TEXT.partly],
  ['no', TEXT.no],
  ['not-visible', TEXT.notVisibleLabel],
];

/** Where something faces, set by eye for both performers. */
function Facing({ row, question }: { readonly row: Judged; readonly question: string }): ReactNode {
  const { athlete, reference, session } = useDerived();
  return (
    <div style={{ display: 'flex', gap: 6, padding: '8px 0 2px', flexWrap: 'wrap' }}>
      {[athlete, reference].map(
        (trial) =>
          trial && (
            <FacingAnswer
              key={trial.clip.id}
              who={trial.clip.role === 'athlete' ? TEXT.athlete : TEXT.reference}
              question={question}
              answer={session.checks[trial.clip.id]?.[row.measure.id]}
              onAnswer={(answer) => answerCheck(trial.clip.id, row.measure.id, answer)}
            />
          ),
      )}
    </div>
  );
}

/** A question that an eye answers, for both performers. */
function Question({ row }: { readonly row: Judged }): ReactNode {
  const { athlete, reference, session } = useDerived();
  return (
    <div style={{ display: 'flex', gap: 6, padding: '8px 0 2px' }}>
      {[athlete, reference].map(
        (trial) =>
          trial && (
            <TextField
              key={trial.clip.id}
              select
              size="small"
              label={trial.clip.role === 'athlete' ? TEXT.athlete : TEXT.reference}
              value={session.checks[trial.clip.id]?.[row.measure.id] ?? ''}
              onClick={(event) => event.stopPropagation()}
              onChange={(event) => answerCheck(trial.clip.id, row.measure.id, event.target.value as Check)}
              sx={{ minWidth: 104 }}
            >
              {ANSWERS.map(([answer, text]) => (
                <MenuItem key={answer} value={answer}>
                  {text}
                </MenuItem>
              ))}
            </TextField>
          ),
      )}
    </div>
  );
}

const blockedOf = ({ athlete, reference }: Judged): NotMeasurable | null =>
  !athlete.measurable ? athlete : !reference.measurable ? reference : null;

/** What was read of both, and their difference. */
function Numbers({ row }: { readonly row: Judged }): ReactNode {
  const a = readingText(row.athlete);
  const r = readingText(row.reference);
  const unit = row.athlete.measurable ? row.athlete.unit : 'deg';
  const blocked = blockedOf(row);
  return (
    <>
      <td>
        {a.value}
        <div className="pm">{a.plusMinus}</div>
      </td>
      <td>
        {r.value}
        <div className="pm">{r.plusMinus}</div>
      </td>
      <td>
        {row.difference === null ? '–' : signed(row.difference, unit)}{' '}
        <span className="pm">{row.plusMinus === null ? '' : plusMinus(row.plusMinus, unit)}</span>
        <div>
          {(!blocked || blocked.reason === 'no-reference') && row.measure.kind !== 'checkpoint' && (
            <DifferenceBar
              athlete={forBar(row.athlete)}
              reference={forBar(row.reference)}
              band={row.band}
              width={84}
              text={TEXT.athleteAndReferenceRead(row.measure.name, a.value, r.value)}
            />
          )}
        </div>
      </td>
    </>
  );
}

/** Why there is no number; where the other one's was read, whose is lacking. */
function Why({ row, blocked }: { readonly row: Judged; readonly blocked: NotMeasurable }): ReactNode {
  const whose = row.reference.measurable ? 'athlete' : row.athlete.measurable ? 'reference' : null;
  return (
    <div className="reason">
      {whose && (
        <>
          <span className={`mark-${whose}`} />
          {whose === 'athlete' ? TEXT.athlete : TEXT.reference}:{' '}
        </>
      )}
      {blocked.message}. {blocked.remedy}
    </div>
  );
}

/** A measure: its numbers or why there are none, and below them what only an eye can answer. */
function Measured({ row, onChoose }: { readonly row: Judged; readonly onChoose: () => void }): ReactNode {
  const { measure } = row;
  const chosen = useView((state) => state.selectedMeasure === measure.id);
  const blocked = blockedOf(row);
  const nothingRead = !row.athlete.measurable && !row.reference.measurable;
  const why = blocked && blocked.reason !== 'no-reference' && blocked.reason !== 'not-answered' && (
    <Why row={row} blocked={blocked} />
  );
  return (
    <tbody className={chosen ? 'chosen' : undefined} data-testid={`reading-${measure.id}`} data-state={row.state}>
      <tr className="choose" onClick={onChoose}>
        <td className="wrap" colSpan={nothingRead ? 4 : 1}>
          <button type="button" className="row" aria-pressed={chosen}>
            {measure.name}
          </button>
          <div>
            <StateMark state={row.state} />
            {isInSpace(row.athlete) && <span className="in-space">{TEXT.inSpace}</span>}
          </div>
          {row.referenceState === 'gap' && (
            <div className="reason">
              {row.state === 'strength' || row.state === 'on-target'
                ? TEXT.referenceMissesThisItselfAthlete
                : TEXT.referenceMissesThisItself}
            </div>
          )}
          {nothingRead && why}
        </td>
        {!nothingRead && <Numbers row={row} />}
      </tr>
      {!nothingRead && why && (
        <tr className="choose goes-on" onClick={onChoose}>
          <td colSpan={4} className="left wrap">
            {why}
          </td>
        </tr>
      )}
      {(measure.kind === 'facing-by-eye' || measure.kind === 'checkpoint') && (
        <tr>
          <td colSpan={4} className="left wrap">
            {measure.question}
            {measure.kind === 'checkpoint' ? <Question row={row} /> : <Facing row={row} question={measure.question} />}
          </td>
        </tr>
      )}
    </tbody>
  );
}

/** One measure below the other: athlete, reference, difference with its plus-minus, band, state. */
export function ReadingSheet({ rows, onChoose }: ReadingSheetProps): ReactNode {
  if (rows.length === 0) return <p style={{ color: '#545c61' }}>{TEXT.nothingIsMeasuredAtThis}</p>;
  return (
    <table className="sheet readings" data-testid="reading-sheet">
      <thead>
        <tr>
          <th>{TEXT.measure}</th>
          <th>
            <span className="mark-athlete" />
            {TEXT.athl}
          </th>
          <th>
            <span className="mark-reference" />
            {TEXT.ref}
          </th>
          <th>{TEXT.diff}</th>
        </tr>
      </thead>
      {rows.map((row) => (
        <Measured key={row.measure.id} row={row} onChoose={() => onChoose(row)} />
      ))}
    </table>
  );
}
