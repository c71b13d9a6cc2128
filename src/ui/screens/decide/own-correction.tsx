import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { ReactNode } from 'react';
import { useForm } from 'react-hook-form';
import type { OwnCorrection } from '../../../core/model/session';
import { changeOwnCorrection } from '../../../application/comparison/comparison-use-cases';
import { TEXT } from '../../../text/screens/decide';

type Words = Readonly<Record<Exclude<keyof OwnCorrection, 'id' | 'noteId' | 'change'>, string>>;
type Fields = Words & Pick<OwnCorrection, 'change'>;

const FIELDS: readonly (readonly [keyof Words, string, boolean])[] = [
  ['title', TEXT.whatToWorkOn, false],
  ['seen', TEXT.seen, false],
  ['shouldBe', TEXT.shouldBe, false],
  ['why', TEXT.whyItMatters, true],
  ['cue', TEXT.cue, false],
  ['drills', TEXT.drillsOneLineHoldSlow, true],
  ['selfCheck', TEXT.howAthleteChecksItAlone, true],
];

/** A correction of the analyst's own. */
export function OwnCorrectionDialog({
  correction,
  onClose,
}: {
  readonly correction: OwnCorrection | 'new';
  readonly onClose: () => void;
}): ReactNode {
  const { register, handleSubmit, formState } = useForm<Fields>({
    defaultValues:
      correction === 'new' ? { change: 'technique' } : { ...correction, drills: correction.drills.join('\n') },
  });
  const save = (fields: Fields): void => {
    const drills = fields.drills
      .split('\n')
      .map((line) => line.trim())
      .filter(Boolean);
    const [id, noteId] = correction === 'new' ? [null, null] : [correction.id, correction.noteId];
    changeOwnCorrection(id, { ...fields, noteId, title: fields.title.trim(), drills });
    onClose();
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <form onSubmit={(event) => void handleSubmit(save)(event)}>
        <DialogTitle>{correction === 'new' ? TEXT.correctionOfYourOwn : TEXT.changeYourCorrection}</DialogTitle>
        <DialogContent sx={{ display: 'grid', gap: 1.5 }}>
          <TextField
            select
            label={TEXT.whatChanges}
            size="small"
            sx={{ mt: 1 }}
            defaultValue={correction === 'new' ? 'technique' : correction.change}
            {...register('change')}
          >
            <MenuItem value="technique">{TEXT.technique}</MenuItem>
            <MenuItem value="set-up">{TEXT.equipmentOrConditions}</MenuItem>
          </TextField>
          {FIELDS.map(([key, label, long]) => (
            <TextField
              key={key}
              label={label}
              size="small"
              multiline={long}
              minRows={long ? 2 : undefined}
              {...register(key, key === 'title' ? { validate: (v) => v.trim() !== '' || TEXT.sayWhatToWorkOn } : {})}
              error={key === 'title' && formState.errors.title !== undefined}
              helperText={key === 'title' ? formState.errors.title?.message : undefined}
              slotProps={{ inputLabel: correction === 'new' ? {} : { shrink: true } }}
            />
          ))}
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>{TEXT.cancel}</Button>
          <Button type="submit" variant="contained">
            {TEXT.keepIt}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
