import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import {
  addRepetition,
  averageRepetitions,
  carryEventsOver,
  chooseRepetition,
  findRepetitionsOf,
  removeRepetition,
} from '../../../application/comparison/comparison-use-cases';
import type { BenchClip } from '../../../application/bench/bench-clips';
import type { Derived } from '../../../application/analysis/derived';
import { notify } from '../../../application/stores/notices';
import { clipName } from '../../components/clip-name';
import { RoleName } from '../../components/role-name';
import { TEXT } from '../../../text/screens/bench/moments';

/** Whether somebody marked a moment, and it is not only proposed. */
const isMarked = ({ trial }: BenchClip, id: string): boolean =>
  trial.marks[id] !== undefined && trial.timing?.[id] === undefined;

/** The moments of a marked trial, laid over one in which nobody marked them yet. */
export function CarryOver({ derived }: { readonly derived: Derived }): ReactNode {
  const { movement } = derived;
  const mains = derived.clips.filter((c) => !c.join);
  const count = (c: BenchClip): number => movement.moments.filter((m) => c.trial.marks[m.id] !== undefined).length;
  const marked = (c: BenchClip): number => movement.moments.filter(({ id }) => isMarked(c, id)).length;
  const from = mains.reduce<BenchClip | null>(
    (best, c) =>
      best && (marked(best) > marked(c) || (marked(best) === marked(c) && count(best) >= count(c))) ? best : c,
    null,
  );
  const open = from
    ? mains.filter(
        (c) =>
          c !== from &&
          movement.moments.some(
            ({ id }) =>
              from.trial.marks[id] !== undefined &&
              (c.trial.marks[id] === undefined || (isMarked(from, id) && !isMarked(c, id))),
          ),
      )
    : [];
  if (!from || count(from) === 0 || open.length === 0) return null;
  return (
    <div style={{ display: 'flex', gap: 8, flexWrap: 'wrap' }}>
      {open.map((to) => (
        <Button
          key={to.id}
          variant="outlined"
          onClick={() => {
            const carried = carryEventsOver(movement, from.trial, to.trial);
            notify(
              'info',
              carried.length === 0
                ? TEXT.nothingCouldBeCarriedOver(clipName(to))
                : TEXT.countMomentsAreCarriedOver(carried.length, clipName(from), clipName(to)),
            );
          }}
        >
          {TEXT.carryOverFromClipName(clipName(from), clipName(to))}
        </Button>
      ))}
    </div>
  );
}

/** Repetitions in one clip: found, counted through, averaged. */
export function RepetitionsCard({ derived }: { readonly derived: Derived }): ReactNode {
  const { movement, session } = derived;
  const mains = derived.clips.filter((c) => !c.join);
  if (mains.length === 0 || (!movement.repeats && Object.keys(session.repetitions).length === 0)) return null;
  return (
    <section className="card" style={{ padding: '8px 10px' }}>
      <Typography variant="h2" gutterBottom>
        {TEXT.repetitions}
      </Typography>
      {mains.map((on) => {
        const { clip } = on.trial;
        const known = session.repetitions[clip.id];
        return (
          <div
            key={on.id}
            data-testid={`repetitions-${on.id}`}
            style={{ display: 'flex', gap: 6, alignItems: 'center', flexWrap: 'wrap', marginBottom: 6 }}
          >
            <RoleName role={on.styleKey} name={clip.performer.name} />
            {known && (
              <>
                <TextField
                  select
                  size="small"
                  label={TEXT.repetition}
                  value={known.chosen}
                  onChange={(event) => chooseRepetition(clip.id, Number(event.target.value))}
                  sx={{ minWidth: 84 }}
                >
                  {known.all.map((_, i) => (
                    <MenuItem key={i} value={i}>
                      {TEXT.iOfCount(i + 1, known.all.length)}
                    </MenuItem>
                  ))}
                </TextField>
                <FormControlLabel
                  label={TEXT.meanOfAll}
                  control={
                    <Switch
                      size="small"
                      checked={known.average}
                      disabled={known.all.length < 2}
                      onChange={(event) => averageRepetitions(clip.id, event.target.checked)}
                    />
                  }
                  sx={{ mr: 0 }}
                />
                <Button size="small" disabled={known.all.length < 2} onClick={() => removeRepetition(clip.id)}>
                  {TEXT.takeAway}
                </Button>
              </>
            )}
            {movement.repeats && (
              <Button
                size="small"
                onClick={() => {
                  const found = findRepetitionsOf(movement, on.trial);
                  notify(
                    'info',
                    found === 0
                      ? TEXT.noWholeRepetitionWasFound(clipName(on))
                      : found === 1
                        ? TEXT.oneRepetitionOfClipName(clipName(on))
                        : TEXT.foundRepetitionsOfClipName(found, clipName(on)),
                  );
                }}
              >
                {known ? TEXT.findAgain : TEXT.findRepetitions}
              </Button>
            )}
            <Button size="small" onClick={() => addRepetition(clip.id)}>
              {TEXT.addOneByEye}
            </Button>
          </div>
        );
      })}
    </section>
  );
}
