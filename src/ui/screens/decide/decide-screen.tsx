import { arrayMove, useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import ArrowDownwardIcon from '@mui/icons-material/ArrowDownward';
import ArrowUpwardIcon from '@mui/icons-material/ArrowUpward';
import DragIndicatorIcon from '@mui/icons-material/DragIndicator';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Typography from '@mui/material/Typography';
import { useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { correctionOf } from '../../../core/coaching/correction';
import type { PlanItem } from '../../../core/coaching/plan';
import type { OwnCorrection } from '../../../core/model/session';
import { changeOwnCorrection } from '../../../application/comparison/comparison-use-cases';
import type { Derived } from '../../../application/analysis/derived';
import { useDerived } from '../../../application/analysis/use-derived';
import { decide, reorder } from '../../../application/findings/finding-use-cases';
import { CorrectionCard } from '../../components/correction-card';
import { JudgedSummary } from '../../components/judged-summary';
import { SessionFrame } from '../../components/session-frame';
import { SortableArea } from '../../components/sortable-area';
import { framesOf, goToFrames } from '../../components/go-to-frames';
import { judgedCount } from '../../../core/judgement/state';
import { AsideOfPlan } from './aside-of-plan';
import { CauseChain } from './cause-chain';
import { OwnCorrectionDialog } from './own-correction';
import { ReasonDialog } from '../../components/reason-dialog';
import { PracticeCard } from './practice-card';
import { ScoreParts } from './score-parts';
import { TEXT } from '../../../text/screens/decide';

/** What a reason is asked for. */
interface Asked {
  readonly id: string;
  readonly name: string;
  readonly verdict: 'drop' | 'style';
}

/** The gaps in the order in which to work on them; the analyst has the last word. */
export function DecideScreen(): ReactNode {
  const derived = useDerived();
  const { judged, plan, priorities } = derived;
  const [asking, setAsking] = useState<Asked | null>(null);
  const [editing, setEditing] = useState<OwnCorrection | 'new' | null>(null);
  const ids = plan.items.map((item) => item.id);
  const sort = (sorted: readonly string[]): void =>
    reorder([...sorted, ...priorities.parked.map(({ gap }) => gap.judged.measure.id)]);
  return (
    <SessionFrame step="decide">
      <main className="page">
        <div className="inner">
          <div className="row-of-fields">
            <Typography variant="h1">{TEXT.whatToWorkOn}</Typography>
            {judged.length > 0 && (
              <Button variant="outlined" onClick={() => setEditing('new')}>
                {TEXT.addCorrectionOfYourOwn}
              </Button>
            )}
          </div>
          <JudgedSummary judged={judged} />
          {judged.length === 0 && <p>{TEXT.correctionsAreProposedHereOnce}</p>}
          <div className="columns" style={{ gridTemplateColumns: 'minmax(0, 1.7fr) minmax(0, 1fr)' }}>
            <SortableArea
              ids={ids}
              nameOf={(id) => nameOfItem(plan.items.find((item) => item.id === id)!)}
              onSort={sort}
            >
              <div style={{ display: 'grid', gap: 12, alignContent: 'start' }}>
                {plan.items.length === 0 && judgedCount(derived.judged).judged > 0 && (
                  <p className="card" style={{ margin: 0 }}>
                    {TEXT.noGapBeyondMeasuringError}
                  </p>
                )}
                {plan.items.map((item, i) => (
                  <PlanCard
                    key={item.id}
                    item={item}
                    index={i}
                    last={ids.length - 1}
                    derived={derived}
                    onMove={(to) => sort(arrayMove(ids, i, to))}
                    onAsk={setAsking}
                    onEdit={setEditing}
                  />
                ))}
              </div>
            </SortableArea>
            <AsideOfPlan derived={derived} ids={ids} />
          </div>
          {plan.items.length > 0 && <PracticeCard derived={derived} />}
        </div>
      </main>
      {asking && (
        <ReasonDialog
          title={asking.verdict === 'style' ? TEXT.personalStyle : TEXT.dropThisCorrection}
          about={asking.name}
          confirm={asking.verdict === 'style' ? TEXT.markAsStyle : TEXT.drop}
          onConfirm={(reason) => decide(asking.id, { verdict: asking.verdict, reason })}
          onClose={() => setAsking(null)}
        />
      )}
      {editing && <OwnCorrectionDialog correction={editing} onClose={() => setEditing(null)} />}
    </SessionFrame>
  );
}

const nameOfItem = ({ gap, own }: PlanItem): string => (gap ? gap.judged.measure.name : own.title);

interface PlanCardProps {
  readonly item: PlanItem;
  readonly index: number;
  readonly last: number;
  readonly derived: Derived;
  readonly onMove: (to: number) => void;
  readonly onAsk: (asked: Asked) => void;
  readonly onEdit: (correction: OwnCorrection) => void;
}

/** One correction: dragged by its handle or moved by its arrows, with its parts, its chain and its decisions. */
function PlanCard({ item, index, last, derived, onMove, onAsk, onEdit }: PlanCardProps): ReactNode {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id: item.id,
  });
  const navigate = useNavigate();
  const { movement, session, judged } = derived;
  const minor = derived.athlete?.clip.performer.minor ?? false;
  const { gap, own } = item;
  const name = nameOfItem(item);
  const show = (measureId: string): void => {
    const row = judged.find((j) => j.measure.id === measureId);
    if (row) goToFrames(navigate, session.id, framesOf(row.athlete, row.reference), measureId);
  };
  return (
    <section
      ref={setNodeRef}
      className="card"
      data-testid="proposed"
      data-measure={item.id}
      style={{
        transform: CSS.Translate.toString(transform),
        transition,
        position: 'relative',
        zIndex: isDragging ? 2 : undefined,
        boxShadow: isDragging ? '0 6px 18px rgba(32,38,42,.25)' : undefined,
      }}
    >
      <IconButton
        ref={setActivatorNodeRef}
        {...attributes}
        {...listeners}
        aria-label={TEXT.dragNameToAnotherPlace(name)}
        title={TEXT.dragToAnotherPlace}
        sx={{ position: 'absolute', right: 6, top: 6, cursor: 'grab', touchAction: 'none' }}
      >
        <DragIndicatorIcon />
      </IconButton>
      <CorrectionCard
        chainBelow={gap !== null}
        correction={correctionOf(movement, item, minor, session.notes)}
        index={index}
      />
      {gap && <CauseChain gap={gap} onChoose={show} />}
      {gap && <ScoreParts gap={gap} overridden={session.importances[gap.judged.measure.id] !== undefined} />}
      <div>
        <IconButton aria-label={TEXT.moveNameUp(name)} disabled={index === 0} onClick={() => onMove(index - 1)}>
          <ArrowUpwardIcon />
        </IconButton>
        <IconButton aria-label={TEXT.moveNameDown(name)} disabled={index === last} onClick={() => onMove(index + 1)}>
          <ArrowDownwardIcon />
        </IconButton>
        {gap ? (
          <>
            <Button onClick={() => show(gap.judged.measure.id)}>{TEXT.seeFrames}</Button>
            <Button onClick={() => onAsk({ id: item.id, name, verdict: 'drop' })}>{TEXT.dropWithReason}</Button>
            <Button onClick={() => onAsk({ id: item.id, name, verdict: 'style' })}>{TEXT.styleLeaveAlone}</Button>
          </>
        ) : (
          <>
            <Button onClick={() => onEdit(own)}>{TEXT.changeIt}</Button>
            <Button onClick={() => changeOwnCorrection(own.id, null)}>{TEXT.remove}</Button>
          </>
        )}
      </div>
    </section>
  );
}
