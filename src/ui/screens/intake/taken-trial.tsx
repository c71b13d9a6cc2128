import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import { useState, type ReactNode } from 'react';
import type { Role } from '../../../core/model/clip';
import type { Session } from '../../../core/model/session';
import { baseOf } from '../../../application/analysis/derived';
import { notify } from '../../../application/stores/notices';
import { takeListed, trialsElsewhere, trialsFound, type ListedTrial } from '../../../application/season/taken-trials';
import { VIEW_NAMES } from '../../components/clip-name';
import { dayText, ownRate } from '../../components/format';
import { movementNameOf } from '../../components/movement-name';
import { RoleName } from '../../components/role-name';
import { useShowMore } from '../../components/show-more';
import { TEXT } from '../../../text/screens/intake';

/** A reference of the library, or any performance of another session, for use in this one as well. */
export function TakenTrial({ session }: { readonly session: Session }): ReactNode {
  const [all, setAll] = useState<readonly ListedTrial[] | null>(null);
  return (
    <>
      <Button variant="outlined" onClick={() => void trialsElsewhere(session.id).then(setAll)}>
        {TEXT.takeFromAnotherSession}
      </Button>
      <Dialog open={all !== null} onClose={() => setAll(null)} maxWidth="md" fullWidth>
        <DialogTitle>{TEXT.takePerformanceFromAnotherSession}</DialogTitle>
        <DialogContent>
          {all?.length === 0 && <p>{TEXT.noOtherSessionInThis}</p>}
          {all !== null && all.length > 0 && (
            <Choice all={all} measuredBy={baseOf(session).id} onTaken={() => setAll(null)} />
          )}
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setAll(null)}>{TEXT.leaveIt}</Button>
        </DialogActions>
      </Dialog>
    </>
  );
}

/** So many stand there at first. */
const AT_FIRST = 20;

interface ChoiceProps {
  readonly all: readonly ListedTrial[];
  /** What the open session measures by. */
  readonly measuredBy: string;
  readonly onTaken: () => void;
}

function Choice({ all, measuredBy, onTaken }: ChoiceProps): ReactNode {
  const [text, setText] = useState('');
  const [sameMovement, setSameMovement] = useState(() => all.some(({ session }) => session.measuredBy === measuredBy));
  const hasLibrary = all.some(({ library }) => library !== null);
  const [library, setLibrary] = useState(false);
  const found = trialsFound(all, { text, measuredBy: sameMovement ? measuredBy : null, library });
  const { shown, more } = useShowMore(found, AT_FIRST);
  const take = async (trial: ListedTrial, role: Role): Promise<void> => {
    const taken = await takeListed(trial, role);
    if (taken.ok) onTaken();
    else notify('error', taken.issue.message);
  };
  return (
    <>
      <p style={{ marginTop: 0 }}>{TEXT.allCamerasAndPointsCome}</p>
      <div className="row-of-fields" style={{ marginBottom: 6 }}>
        <TextField
          size="small"
          type="search"
          label={TEXT.findByPerformerSessionLevel}
          value={text}
          onChange={({ target }) => setText(target.value)}
          sx={{ flex: 1 }}
        />
        <FormControlLabel
          label={TEXT.thisMovementOnly}
          control={<Checkbox checked={sameMovement} onChange={({ target }) => setSameMovement(target.checked)} />}
        />
        {hasLibrary && (
          <FormControlLabel
            label={TEXT.referenceLibraryOnly}
            control={<Checkbox checked={library} onChange={({ target }) => setLibrary(target.checked)} />}
          />
        )}
      </div>
      {found.length === 0 && <p>{TEXT.noPerformanceMatches}</p>}
      {found.length > 0 && (
        <table className="sheet">
          <thead>
            <tr>
              <th>{TEXT.performer}</th>
              <th className="left">{TEXT.camera}</th>
              <th className="left">{TEXT.session}</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {shown.map((trial) => (
              <Row
                key={`${trial.session.id}-${trial.clipId}`}
                trial={trial}
                onTake={(role) => void take(trial, role)}
              />
            ))}
          </tbody>
        </table>
      )}
      {more}
    </>
  );
}

function Row({ trial, onTake }: { readonly trial: ListedTrial; readonly onTake: (role: Role) => void }): ReactNode {
  const { session, name, role, fileName, view, rate, cameras, library, notToShare } = trial;
  const of = TEXT.nameOfName2(name, session.name);
  return (
    <tr>
      <td className="wrap">
        <RoleName role={role} name={name} />
        {library && (
          <div>
            <strong>{TEXT.inLibrary}</strong>
            {[library.level, ...library.tags].filter(Boolean).length > 0 &&
              `: ${[library.level, ...library.tags].filter(Boolean).join(', ')}`}
          </div>
        )}
        {notToShare && <div className="note">{TEXT.hasNotAgreedToBe}</div>}
        <div className="note">{fileName}</div>
      </td>
      <td className="left wrap">
        {VIEW_NAMES[view]}, {rate === null ? TEXT.rateNotKnown : `${ownRate(rate)}/s`}
        {cameras > 1 && <div className="note">{TEXT.cameras(cameras)}</div>}
      </td>
      <td className="left wrap">
        {session.name}
        <div className="note">
          {movementNameOf(session)}, {dayText(session.on)}
        </div>
      </td>
      <td className="acts">
        <Button size="small" aria-label={TEXT.ofTextAsReference(of)} onClick={() => onTake('reference')}>
          {TEXT.asReference}
        </Button>
        <Button size="small" aria-label={TEXT.ofTextAsAthlete(of)} onClick={() => onTake('athlete')}>
          {TEXT.asAthlete}
        </Button>
      </td>
    </tr>
  );
}
