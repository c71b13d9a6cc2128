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
import { ladderSchema, MOST_STAGES, stageSchema, type Stage } from '../../core/model/practice';
import { TEXT } from '../../text/components/common';

/** Loads are percentages on the screen; empty where a position is held. */
const rowSchema = stageSchema.omit({ load: true }).extend({
  sets: z.coerce.number().pipe(stageSchema.shape.sets),
  repetitions: z.coerce.number().pipe(stageSchema.shape.repetitions),
  percent: z.string().regex(/^\s*(\d{1,2}|100)?\s*$/, TEXT.give0To100Or),
});
const formSchema = z.object({ stages: z.array(rowSchema).min(1).max(MOST_STAGES) });
type Row = z.input<typeof rowSchema>;

interface StagesDialogProps {
  /** What is practised. */
  readonly of: string;
  readonly stages: readonly Stage[];
  /** Takes the stages as they were changed; null for those that are proposed. */
  readonly onKeep: (stages: Stage[] | null) => void;
  readonly onClose: () => void;
}

/** Stages of drills in one's own words and doses. */
export function StagesDialog({ of, stages: before, onKeep, onClose }: StagesDialogProps): ReactNode {
  const { register, control, handleSubmit, formState } = useForm<
    { stages: Row[] },
    unknown,
    z.output<typeof formSchema>
  >({
    resolver: zodResolver(formSchema),
    defaultValues: {
      stages: before.map(({ load, ...stage }) => ({
        ...stage,
        percent: load === null ? '' : String(Math.round(100 * load)),
      })),
    },
  });
  const { fields, append, remove } = useFieldArray({ control, name: 'stages' });
  const errors = formState.errors.stages;
  const keep = handleSubmit(({ stages }) => {
    onKeep(
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
      slotProps={{ inputLabel: { shrink: true }, htmlInput: { 'aria-label': TEXT.labelStageI(label, i + 1) } }}
    />
  );
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md">
      <form onSubmit={(event) => void keep(event)} noValidate>
        <DialogTitle>{TEXT.stagesOfText(of)}</DialogTitle>
        <DialogContent sx={{ display: 'grid', gap: 2 }}>
          {fields.map(({ id }, i) => (
            <div key={id} className="stage-fields">
              <div>
                {field(i, 'drill', TEXT.iWhatIsDone(i + 1))}
                {field(i, 'sets', TEXT.sets, 70)}
                {field(i, 'repetitions', TEXT.repetitions, 96)}
                {field(i, 'percent', TEXT.ofFullSpeed, 120)}
                <IconButton
                  aria-label={TEXT.removeStageI(i + 1)}
                  disabled={fields.length === 1}
                  onClick={() => remove(i)}
                >
                  <ClearIcon fontSize="small" />
                </IconButton>
              </div>
              <div>
                {field(i, 'pass', TEXT.passedWhen)}
                {field(i, 'ifNot', TEXT.ifNot)}
              </div>
            </div>
          ))}
          <Button
            sx={{ justifySelf: 'start' }}
            disabled={fields.length >= MOST_STAGES}
            onClick={() => append({ drill: '', sets: 3, repetitions: 5, percent: '', pass: '', ifNot: '' })}
          >
            {TEXT.addStage}
          </Button>
        </DialogContent>
        <DialogActions>
          <Button
            onClick={() => {
              onKeep(null);
              onClose();
            }}
          >
            {TEXT.takeProposedStages}
          </Button>
          <Button onClick={onClose}>{TEXT.cancel}</Button>
          <Button type="submit" variant="contained">
            {TEXT.keepThem}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
