import { zodResolver } from '@hookform/resolvers/zod';
import ClearIcon from '@mui/icons-material/Clear';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import IconButton from '@mui/material/IconButton';
import TextField from '@mui/material/TextField';
import type { ReactNode } from 'react';
import { useFieldArray, useForm } from 'react-hook-form';
import { z } from 'zod';
import type { SessionPractice } from '../../../core/coaching/session-practice';
import { ladderSchema, MOST_STAGES, stageSchema } from '../../../core/model/practice';
import { setLadder } from '../../../state/practice-use-cases';

/** Loads are percentages on the screen; empty where a position is held. */
const rowSchema = stageSchema.omit({ load: true }).extend({
  sets: z.coerce.number().pipe(stageSchema.shape.sets),
  repetitions: z.coerce.number().pipe(stageSchema.shape.repetitions),
  percent: z.string().regex(/^\s*(\d{1,2}|100)?\s*$/, 'Give 0 to 100, or leave it empty.'),
});
const formSchema = z.object({ stages: z.array(rowSchema).min(1).max(MOST_STAGES) });
type Row = z.input<typeof rowSchema>;

interface LadderDialogProps {
  readonly correction: SessionPractice['corrections'][number];
  readonly onClose: () => void;
}

/** The stages of one correction in the analyst's own words and doses. */
export function LadderDialog({ correction, onClose }: LadderDialogProps): ReactNode {
  const { register, control, handleSubmit, formState } = useForm<
    { stages: Row[] },
    unknown,
    z.output<typeof formSchema>
  >({
    resolver: zodResolver(formSchema),
    defaultValues: {
      stages: correction.ladder.map(({ load, ...stage }) => ({
        ...stage,
        percent: load === null ? '' : String(Math.round(100 * load)),
      })),
    },
  });
  const { fields, append, remove } = useFieldArray({ control, name: 'stages' });
  const errors = formState.errors.stages;
  const keep = handleSubmit(({ stages }) => {
    setLadder(
      correction.id,
      ladderSchema.parse(
        stages.map(({ percent, ...stage }) => ({
          ...stage,
          load: percent.trim() === '' ? null : Number(percent) / 100,
        })),
      ),
    );
    onClose();
  });
  const field = (i: number, name: keyof Row, label: string, width?: number): ReactNode => (
    <TextField
      label={label}
      size="small"
      sx={width ? { width } : { flex: 1, minWidth: 200 }}
      {...register(`stages.${i}.${name}`)}
      error={!!errors?.[i]?.[name]}
      helperText={errors?.[i]?.[name]?.message}
      slotProps={{ inputLabel: { shrink: true }, htmlInput: { 'aria-label': `${label}, stage ${i + 1}` } }}
    />
  );
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md">
      <form onSubmit={(event) => void keep(event)} noValidate>
        <DialogTitle>Stages: {correction.title}</DialogTitle>
        <DialogContent sx={{ display: 'grid', gap: 2 }}>
          {fields.map(({ id }, i) => (
            <div key={id} className="stage-fields">
              <div>
                {field(i, 'drill', `${i + 1}. What is done`)}
                {field(i, 'sets', 'Sets', 70)}
                {field(i, 'repetitions', 'Repetitions', 96)}
                {field(i, 'percent', '% of full speed', 120)}
                <IconButton
                  aria-label={`Remove stage ${i + 1}`}
                  disabled={fields.length === 1}
                  onClick={() => remove(i)}
                >
                  <ClearIcon fontSize="small" />
                </IconButton>
              </div>
              <div>
                {field(i, 'pass', 'Passed when')}
                {field(i, 'ifNot', 'If not')}
              </div>
            </div>
          ))}
          <Button
            sx={{ justifySelf: 'start' }}
            disabled={fields.length >= MOST_STAGES}
            onClick={() => append({ drill: '', sets: 3, repetitions: 5, percent: '', pass: '', ifNot: '' })}
          >
            Add a stage
          </Button>
        </DialogContent>
        <DialogActions>
          <Button
            onClick={() => {
              setLadder(correction.id, null);
              onClose();
            }}
          >
            Take the proposed stages
          </Button>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained">
            Keep them
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
