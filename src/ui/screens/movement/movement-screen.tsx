import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState, type ReactNode } from 'react';
import { Link, useNavigate } from 'react-router';
import { blankMeasure } from '../../../core/model/measure-form';
import { momentsOf } from '../../../core/model/measure';
import { baseOf } from '../../../state/derived';
import { useDerived } from '../../../state/use-derived';
import {
  addMeasure,
  addMoment,
  addPoint,
  changeMeasure,
  changeMoment,
  removeMeasure,
  removeMoment,
  renameMovement,
  sortMeasures,
  sortMoments,
} from '../../../state/movement-editing';
import { movementFileName, movementText } from '../../../state/movement-files';
import { download } from '../../../state/download';
import { SessionFrame } from '../../components/session-frame';
import { StateMark } from '../../components/state-mark';
import { framesOf, goToFrames } from '../../components/go-to-frames';
import { Choice, CommittedField } from './plain-fields';
import { MeasureForm } from './measure-form';
import { words } from './names';
import { said } from './said';
import { CausesCard } from './causes-card';
import { SortableList } from './sortable-list';

/** The movement as a document: its moments on a strip, its measures in a list, one of them open beside a live value. */
export function MovementScreen(): ReactNode {
  const derived = useDerived();
  const { session, judged } = derived;
  const movement = baseOf(session);
  const navigate = useNavigate();
  const [measureId, setMeasureId] = useState(movement.measures[0]?.id ?? '');
  const [momentId, setMomentId] = useState(movement.moments[0]!.id);
  const [newMoment, setNewMoment] = useState('');
  const [newPoint, setNewPoint] = useState('');
  const measure = movement.measures.find((m) => m.id === measureId) ?? movement.measures[0];
  const moment = movement.moments.find((m) => m.id === momentId) ?? movement.moments[0]!;
  const momentName = (id: string): string => movement.moments.find((m) => m.id === id)?.name.toLowerCase() ?? id;
  return (
    <SessionFrame step="intake">
      <main className="page">
        <div className="inner">
          <div className="row-of-fields">
            <Typography variant="h1">Movement</Typography>
            <div style={{ width: 220 }}>
              <CommittedField label="Name" value={movement.name} onChange={(name) => said(renameMovement({ name }))} />
            </div>
            <div style={{ width: 150 }}>
              <CommittedField
                label="Sport"
                value={movement.sport}
                onChange={(sport) => said(renameMovement({ sport }))}
              />
            </div>
            <Button onClick={() => download(movementFileName(movement), 'application/json', movementText(movement))}>
              Save it as a file
            </Button>
            <Button component={Link} to={`/s/${session.id}/intake`}>
              Back to Intake
            </Button>
          </div>
          <p className="note" style={{ marginTop: 0 }}>
            {session.ownMovement
              ? 'This session has its own copy. Other sessions keep theirs; save the file to use it there.'
              : 'The movement as it ships. The first change makes a copy that belongs to this session.'}{' '}
            Every change can be undone.
          </p>

          <section className="card">
            <Typography variant="h2" gutterBottom>
              Moments
            </Typography>
            <SortableList
              horizontal
              onSort={(ids) => said(sortMoments(ids))}
              items={movement.moments.map((m) => ({
                id: m.id,
                name: m.name,
                chosen: m === moment,
                content: (
                  <button type="button" className="row" onClick={() => setMomentId(m.id)}>
                    <kbd>{m.key}</kbd> {m.name}
                  </button>
                ),
              }))}
            />
            <div className="row-of-fields" style={{ marginTop: 8 }}>
              <div style={{ width: 200 }}>
                <CommittedField
                  key={`n${moment.id}`}
                  label="Name of the moment"
                  value={moment.name}
                  onChange={(name) => said(changeMoment(moment.id, { name }))}
                />
              </div>
              <div style={{ width: 70 }}>
                <CommittedField
                  key={`k${moment.id}`}
                  label="Key"
                  value={moment.key}
                  onChange={(key) => said(changeMoment(moment.id, { key: key.slice(0, 1) }))}
                />
              </div>
              <div style={{ flex: '1 1 300px' }}>
                <CommittedField
                  key={`l${moment.id}`}
                  label="What to look for"
                  value={moment.hint}
                  onChange={(hint) => said(changeMoment(moment.id, { hint }))}
                />
              </div>
              <Choice
                label="Frame marked by hand"
                value={moment.frame}
                options={[
                  ['nearest', 'Nearest to it'],
                  ['first', 'First in which it has happened'],
                  ['last', 'Last before it'],
                ]}
                onChange={(frame) => said(changeMoment(moment.id, { frame: frame as typeof moment.frame }))}
              />
              <Button onClick={() => said(removeMoment(moment.id))}>Remove</Button>
            </div>
            <form
              className="row-of-fields"
              onSubmit={(event) => {
                event.preventDefault();
                if (newMoment.trim() && said(addMoment(newMoment.trim()))) setNewMoment('');
              }}
            >
              <TextField
                size="small"
                label="A further moment"
                value={newMoment}
                onChange={(event) => setNewMoment(event.target.value)}
              />
              <Button type="submit" disabled={newMoment.trim() === ''}>
                Add the moment
              </Button>
              <span className="note">
                {moment.rule
                  ? `Proposed from the points by its rule (${words(moment.rule.rule).toLowerCase()}).`
                  : 'Marked by eye: it has no rule.'}{' '}
                Drag a moment by its handle to another place.
              </span>
            </form>
          </section>

          <div className="columns editor">
            <section className="card">
              <Typography variant="h2" gutterBottom>
                Measures
              </Typography>
              <Button
                variant="outlined"
                size="small"
                onClick={() => {
                  const blank = blankMeasure('value', movement);
                  if (said(addMeasure(blank))) setMeasureId(blank.id);
                }}
              >
                Add a measure
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
                      <button
                        type="button"
                        className="row"
                        data-testid={`choose-${m.id}`}
                        onClick={() => setMeasureId(m.id)}
                      >
                        {m.name}
                        <span className="note">, {momentName(momentsOf(m)[0]!)}</span>{' '}
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
              <section className="card">
                <Typography variant="h2" gutterBottom>
                  Points beside the body
                </Typography>
                {movement.points.length === 0 && <p className="note">None: the body’s own points are enough here.</p>}
                <ul style={{ margin: 0, paddingLeft: 18 }}>
                  {movement.points.map((p) => (
                    <li key={p.id}>
                      <strong>{p.name}</strong>: {p.hint}
                    </li>
                  ))}
                </ul>
                <form
                  className="row-of-fields"
                  style={{ marginTop: 8 }}
                  onSubmit={(event) => {
                    event.preventDefault();
                    if (newPoint.trim() && said(addPoint(newPoint.trim(), 'Placed by hand, then followed.')))
                      setNewPoint('');
                  }}
                >
                  <TextField
                    size="small"
                    label="A further point"
                    value={newPoint}
                    onChange={(event) => setNewPoint(event.target.value)}
                  />
                  <Button type="submit" disabled={newPoint.trim() === ''}>
                    Add the point
                  </Button>
                </form>
              </section>
            </div>
          </div>
        </div>
      </main>
    </SessionFrame>
  );
}
