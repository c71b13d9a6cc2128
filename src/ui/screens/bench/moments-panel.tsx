import FlagOutlinedIcon from '@mui/icons-material/FlagOutlined';
import ClearIcon from '@mui/icons-material/Clear';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import type { ReactNode } from 'react';
import type { Role } from '../../../core/model/clip';
import { momentTimes } from '../../../core/performance/performance';
import { matchedMap } from '../../../core/timing/time-map';
import { player } from '../../../state/bench-player';
import type { Derived } from '../../../state/derived';
import { markMoment } from '../../../state/use-cases';
import { setView, useView } from '../../../state/view-store';
import { RoleName } from '../../components/role-name';

/** The movement's moments in both clips: mark, go to, take away. */
export function MomentsPanel({ derived }: { readonly derived: Derived }): ReactNode {
  const { movement, athlete, reference } = derived;
  const shown = useView((state) => state.shown);
  const map = athlete && reference ? matchedMap(movement.moments.map((m) => m.id), momentTimes(athlete), momentTimes(reference)) : null;
  const cell = (role: Role, momentId: string, name: string): ReactNode => {
    const performance = derived[role];
    if (!performance) return <span>no clip</span>;
    const { clip } = performance;
    const frame = performance.marks[momentId];
    const marked = frame !== undefined;
    const mark = (
      <Button
        size="small"
        title={marked ? 'Move the mark to the frame shown' : undefined}
        aria-label={`Mark ${name} in ${role}`}
        startIcon={<FlagOutlinedIcon />}
        onClick={() => {
          setView({ activeRole: role });
          markMoment(clip.id, momentId, shown[clip.id] ?? 0);
        }}
      >
        {marked ? 'Move' : 'Mark'}
      </Button>
    );
    if (!marked) return mark;
    return (
      <>
        <Button size="small" sx={{ minWidth: 40 }} aria-label={`Go to ${name} in ${role}`} onClick={() => { setView({ activeRole: role }); player.goTo(role, Math.round(frame)); }}>{Math.round(frame) + 1}</Button>
        {mark}
        <IconButton size="small" title="Take the mark away" aria-label={`Unmark ${name} in ${role}`} onClick={() => markMoment(clip.id, momentId, null)}><ClearIcon fontSize="small" /></IconButton>
      </>
    );
  };
  return (
    <>
      {map && !map.ok && map.issue.code === 'moments-out-of-order' && <div className="caution">{map.issue.message}</div>}
      <p style={{ margin: 0, fontSize: '.86rem' }}>Step to the frame, then press the moment’s key: it marks the chosen clip (A chooses the other). Pins on the ribbons can be dragged.</p>
      {movement.moments.map((moment) => (
        <section key={moment.id} className="card" style={{ padding: '8px 10px' }}>
          <strong><kbd>{moment.key}</kbd> {moment.name}</strong>
          <div style={{ fontSize: '.82rem', color: '#545c61' }}>{moment.look}</div>
          <div style={{ display: 'flex', gap: 10 }}>
            {(['athlete', 'reference'] as const).map((role) => (
              <span key={role} style={{ flex: 1, display: 'flex', alignItems: 'center', whiteSpace: 'nowrap' }}>
                <RoleName role={role} name="" />
                {cell(role, moment.id, moment.name.toLowerCase())}
              </span>
            ))}
          </div>
        </section>
      ))}
    </>
  );
}
