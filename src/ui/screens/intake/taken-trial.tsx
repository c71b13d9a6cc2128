import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useState, type ReactNode } from 'react';
import type { Role } from '../../../core/model/clip';
import { dayOf, type Session } from '../../../core/model/session';
import { baseOf } from '../../../state/derived';
import { trialsElsewhere, takeTrial, type StoredTrial } from '../../../state/taken-trials';
import { dayText } from '../../components/format';
import { RoleName } from '../../components/role-name';

/** A reference that was measured once, or an earlier trial of the athlete, for use in this session as well. */
export function TakenTrial({ session }: { readonly session: Session }): ReactNode {
  const [found, setFound] = useState<readonly StoredTrial[] | null>(null);
  const movementId = baseOf(session).id;
  const alike = (p: StoredTrial): boolean => baseOf(p.session).id === movementId;
  const take = async (trial: StoredTrial, role: Role): Promise<void> => {
    await takeTrial(trial, role);
    setFound(null);
  };
  return (
    <>
      <Button
        variant="outlined"
        onClick={() =>
          void trialsElsewhere(session.id).then((all) =>
            setFound([...all].sort((a, b) => Number(alike(b)) - Number(alike(a)))),
          )
        }
      >
        Take from another session
      </Button>
      <Dialog open={found !== null} onClose={() => setFound(null)} maxWidth="md" fullWidth>
        <DialogTitle>Take a performance from another session</DialogTitle>
        <DialogContent>
          {found?.length === 0 && (
            <p>
              No other session in this browser has a clip yet. Whatever is measured in one can be taken into another: a
              reference, or an earlier performance of the athlete.
            </p>
          )}
          {found !== null && found.length > 0 && (
            <>
              <p style={{ marginTop: 0 }}>
                All cameras and points come along, moments too where the movement is the same. The session it comes from
                stays as it is.
              </p>
              <table className="sheet">
                <thead>
                  <tr>
                    <th>Performer</th>
                    <th className="left">Session</th>
                    <th className="left">Movement</th>
                    <th />
                  </tr>
                </thead>
                <tbody>
                  {found.map((p) => (
                    <tr key={`${p.session.id}-${p.clip.id}`}>
                      <td className="wrap">
                        <RoleName role={p.clip.role} name={p.clip.performer.name} />
                        <div className="note">{p.clip.fileName}</div>
                      </td>
                      <td className="left wrap">
                        {p.session.name}
                        <div className="note">{dayText(dayOf(p.session))}</div>
                      </td>
                      <td className="left wrap">
                        {baseOf(p.session).name}
                        {alike(p) ? '' : ', another movement'}
                      </td>
                      <td className="acts">
                        <Button
                          size="small"
                          aria-label={`${p.clip.performer.name} of ${p.session.name} as reference`}
                          onClick={() => void take(p, 'reference')}
                        >
                          As reference
                        </Button>
                        <Button
                          size="small"
                          aria-label={`${p.clip.performer.name} of ${p.session.name} as athlete`}
                          onClick={() => void take(p, 'athlete')}
                        >
                          As athlete
                        </Button>
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </>
          )}
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setFound(null)}>Leave it</Button>
        </DialogActions>
      </Dialog>
    </>
  );
}
