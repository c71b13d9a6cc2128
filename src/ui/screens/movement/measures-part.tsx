import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { eventsOf } from '../../../core/model/measure';
import { blankMeasure } from '../../../core/model/measure-form';
import type { Movement } from '../../../core/model/movement';
import type { Derived } from '../../../application/analysis/derived';
import { addMeasure, changeMeasure, removeMeasure, sortMeasures } from '../../../application/movement/movement-editing';
import { framesOf, goToFrames } from '../../components/go-to-frames';
import { StateMark } from '../../components/state-mark';
import { CausesCard } from './causes-card';
import { MeasureForm } from './measure-form';
import { said } from './said';
import { SortableList } from './sortable-list';
import { TEXT } from '../../../text/screens/movement';

interface MeasuresPartProps {
  readonly movement: Movement;
  readonly derived: Derived;
  readonly chosenId: string | null;
  readonly onChoose: (id: string) => void;
}

/** The measures in their order; one of them open, with its value on the open clips. */
export function MeasuresPart({ movement, derived, chosenId, onChoose }: MeasuresPartProps): ReactNode {
  const navigate = useNavigate();
  const { session, judged } = derived;
  const measure = movement.measures.find((m) => m.id === chosenId) ?? movement.measures[0];
  const eventName = (id: string): string => movement.moments.find((m) => m.id === id)?.name.toLowerCase() ?? id;
  return (
    <div className="columns editor">
      <section className="card">
        <Typography variant="h2" gutterBottom>
          {TEXT.measures}
        </Typography>
        <Button
          variant="outlined"
          size="small"
          onClick={() => {
            const blank = blankMeasure('value', movement);
            if (said(addMeasure(blank))) onChoose(blank.id);
          }}
        >
          {TEXT.addMeasure}
        </Button>
        <SortableList
          onSort={(ids) => said(sortMeasures(ids))}
          items={movement.measures.map((m) => {
            const row = judged.find((j) => j.measure.id === m.id);
            return {
              id: m.id,
              name: m.name,
              chosen: m === measure,
              content: (
                <button type="button" className="row" data-testid={`choose-${m.id}`} onClick={() => onChoose(m.id)}>
                  {m.name}
                  <span className="note">, {eventName(eventsOf(m)[0]!)}</span>{' '}
                  {row && (
                    <span style={{ display: 'block' }}>
                      <StateMark state={row.state} />
                    </span>
                  )}
                </button>
              ),
            };
          })}
        />
      </section>
      <div style={{ display: 'grid', gap: 12, alignContent: 'start' }}>
        {measure && (
          <MeasureForm
            key={measure.id}
            measure={measure}
            movement={movement}
            derived={derived}
            onChange={(next) => said(changeMeasure(measure.id, next))}
            onRemove={() => said(removeMeasure(measure.id))}
            onShow={() => {
              const row = judged.find((j) => j.measure.id === measure.id);
              if (row) goToFrames(navigate, session.id, framesOf(row.athlete, row.reference), measure.id);
            }}
          />
        )}
        {measure && <CausesCard movement={movement} measure={measure} />}
      </div>
    </div>
  );
}
