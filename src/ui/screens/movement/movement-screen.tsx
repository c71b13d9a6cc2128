import Button from '@mui/material/Button';
import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import Typography from '@mui/material/Typography';
import { useMemo, useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { movementGaps, type MovementPart } from '../../../core/coaching/movement-gaps';
import { baseOf } from '../../../application/analysis/derived';
import { download } from '../../../application/files/download';
import { renameMovement } from '../../../application/movement/movement-editing';
import { movementFileName, movementText } from '../../../application/movement/movement-files';
import { useDerived } from '../../../application/analysis/use-derived';
import { SessionFrame } from '../../components/session-frame';
import { GapsNote } from './gaps-note';
import { MeasuresPart } from './measures-part';
import { EventsPart } from './events-part';
import { CommittedField } from './plain-fields';
import { RestPart } from './rest-part';
import { said } from './said';
import { SheetPart } from './sheet-part';
import { TEXT } from '../../../text/screens/movement';

const PARTS: readonly { readonly id: MovementPart; readonly name: string }[] = [
  { id: 'measures', name: TEXT.measures },
  { id: 'moments', name: TEXT.momentsAndTheirRules },
  { id: 'sheet', name: TEXT.criteriaSheet },
  { id: 'rest', name: TEXT.cautionsSchoolsPoints },
];

/** The movement as a document, part by part, with what it gives on the open clips. */
export function MovementScreen(): ReactNode {
  const derived = useDerived();
  const { session } = derived;
  const movement = baseOf(session);
  const [part, setPart] = useState<MovementPart>('measures');
  const [chosen, setChosen] = useState<Readonly<Partial<Record<MovementPart, string>>>>({});
  const gaps = useMemo(() => movementGaps(movement), [movement]);
  const choose = (where: MovementPart, id: string): void => setChosen((before) => ({ ...before, [where]: id }));
  const list = (where: 'moments' | 'measures') => ({
    movement,
    derived,
    chosenId: chosen[where] ?? null,
    onChoose: (id: string) => choose(where, id),
  });
  return (
    <SessionFrame step="intake">
      <main className="page">
        <div className="inner">
          <div className="row-of-fields">
            <Typography variant="h1">{TEXT.movement}</Typography>
            <div style={{ width: 220 }}>
              <CommittedField
                label={TEXT.nameOfMovement}
                value={movement.name}
                onChange={(name) => said(renameMovement({ name }))}
              />
            </div>
            <div style={{ width: 150 }}>
              <CommittedField
                label={TEXT.sport}
                value={movement.sport}
                onChange={(sport) => said(renameMovement({ sport }))}
              />
            </div>
            <Button onClick={() => download(movementFileName(movement), 'application/json', movementText(movement))}>
              {TEXT.saveItAsFile}
            </Button>
            <Button component={Link} to={`/s/${session.id}/intake`}>
              {TEXT.backToIntake}
            </Button>
          </div>
          <p className="note" style={{ marginTop: 0 }}>
            {session.ownMovement ? TEXT.thisSessionHasItsOwn : TEXT.movementAsItShipsFirst}
          </p>
          <GapsNote
            gaps={gaps}
            onGo={(where, id) => {
              setPart(where);
              if (id !== null) choose(where, id);
            }}
          />
          <Tabs
            value={part}
            onChange={(_, next: MovementPart) => setPart(next)}
            aria-label={TEXT.partsOfMovement}
            variant="scrollable"
            sx={{ mb: 1.5, minHeight: 40 }}
          >
            {PARTS.map(({ id, name }) => (
              <Tab key={id} value={id} label={name} id={`tab-${id}`} aria-controls={`part-${id}`} />
            ))}
          </Tabs>
          <div role="tabpanel" id={`part-${part}`} aria-labelledby={`tab-${part}`}>
            {part === 'measures' && <MeasuresPart {...list('measures')} />}
            {part === 'moments' && <EventsPart {...list('moments')} />}
            {part === 'sheet' && <SheetPart movement={movement} derived={derived} />}
            {part === 'rest' && <RestPart movement={movement} />}
          </div>
        </div>
      </main>
    </SessionFrame>
  );
}
