import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import type { Movement } from '../../../core/model/movement';
import type { Derived } from '../../../application/analysis/derived';
import { addEvent, changeEvent, removeEvent, sortEvents } from '../../../application/movement/movement-editing';
import { AddByName } from './add-by-name';
import { Choice, CommittedField, Tick } from './plain-fields';
import { RuleForm } from './rule-form';
import { said } from './said';
import { SortableList } from './sortable-list';
import { TEXT } from '../../../text/screens/movement';

interface EventsPartProps {
  readonly movement: Movement;
  readonly derived: Derived;
  readonly chosenId: string | null;
  readonly onChoose: (id: string) => void;
}

/** The moments in their order; one of them open, with what proposes it. */
export function EventsPart({ movement, derived, chosenId, onChoose }: EventsPartProps): ReactNode {
  const moment = movement.moments.find((m) => m.id === chosenId) ?? movement.moments[0]!;
  return (
    <section className="card">
      <Typography variant="h2" gutterBottom>
        {TEXT.moments}
      </Typography>
      <SortableList
        horizontal
        onSort={(ids) => said(sortEvents(ids))}
        items={movement.moments.map((m) => ({
          id: m.id,
          name: m.name,
          chosen: m === moment,
          content: (
            <button type="button" className="row" onClick={() => onChoose(m.id)}>
              <kbd>{m.key}</kbd> {m.name}
            </button>
          ),
        }))}
      />
      <div className="row-of-fields" style={{ marginTop: 12 }}>
        <div style={{ width: 200 }}>
          <CommittedField
            key={`n${moment.id}`}
            label={TEXT.nameOfMoment}
            value={moment.name}
            onChange={(next) => said(changeEvent(moment.id, { name: next }))}
          />
        </div>
        <div style={{ width: 70 }}>
          <CommittedField
            key={`k${moment.id}`}
            label={TEXT.key}
            value={moment.key}
            onChange={(key) => said(changeEvent(moment.id, { key: key.slice(0, 1) }))}
          />
        </div>
        <div style={{ flex: '1 1 300px' }}>
          <CommittedField
            key={`l${moment.id}`}
            label={TEXT.whatToLookFor}
            value={moment.hint}
            onChange={(hint) => said(changeEvent(moment.id, { hint }))}
          />
        </div>
        <Choice
          label={TEXT.frameMarkedByHand}
          width={190}
          value={moment.frame}
          options={[
            ['nearest', TEXT.nearestToIt],
            ['first', TEXT.firstInWhichItHas],
            ['last', TEXT.lastBeforeIt],
          ]}
          onChange={(frame) => said(changeEvent(moment.id, { frame: frame as typeof moment.frame }))}
        />
        <Tick
          label={TEXT.mayChangePlaces}
          checked={moment.eitherOrder}
          onChange={(eitherOrder) => said(changeEvent(moment.id, { eitherOrder }))}
        />
        <Button onClick={() => said(removeEvent(moment.id))}>{TEXT.remove}</Button>
      </div>
      <RuleForm key={moment.id} movement={movement} moment={moment} derived={derived} />
      <AddByName
        label={TEXT.furtherMoment}
        button={TEXT.addMoment}
        onAdd={(name) => {
          const added = addEvent(name);
          if (added.ok) onChoose(added.value.moments.at(-1)!.id);
          return said(added);
        }}
      >
        <span className="note">{TEXT.dragMomentByItsHandle}</span>
      </AddByName>
    </section>
  );
}
