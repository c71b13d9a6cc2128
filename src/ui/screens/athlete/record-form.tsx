import { zodResolver } from '@hookform/resolvers/zod';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { useForm } from 'react-hook-form';
import { athleteSchema, type Athlete } from '../../../core/model/athlete';
import type { Performer } from '../../../core/model/clip';
import { LIMITS } from '../../../core/model/limits';
import { firstRecord, saveAthlete } from '../../../application/season/athlete-use-cases';
import { notify } from '../../../application/stores/notices';
import type { SquadMember } from '../../../application/season/squad';
import { ChoiceField, SEGMENT_TABLES, SIDES } from '../../components/choice-field';
import { TEXT } from '../../../text/screens/athlete';

interface RecordFormProps {
  readonly member: SquadMember;
  readonly performer: Performer | null;
  readonly onKept: () => void;
}

/** An empty field is not known, and not zero. */
const numberOrNull = (text: unknown): unknown =>
  text === null || (typeof text === 'string' && text.trim() === '') ? null : Number(text);

/** What is known of an athlete, whatever sessions they are in. */
export function RecordForm({ member, performer, onKept }: RecordFormProps): ReactNode {
  const record = member.record ?? firstRecord(member, performer);
  const { register, control, handleSubmit, formState, reset } = useForm<Athlete>({
    resolver: zodResolver(athleteSchema) as never,
    defaultValues: record,
  });
  const { errors, isDirty, isSubmitting } = formState;
  const keep = handleSubmit(async (values) => {
    const kept = await saveAthlete(
      { ...values, consent: record.consent, withdrawnOn: record.withdrawnOn },
      member.name,
    );
    if (kept.ok) {
      reset(values);
      onKept();
    } else notify('error', kept.issue.message);
  });
  const text = (name: 'name' | 'squad', label: string): ReactNode => (
    <TextField
      label={label}
      size="small"
      {...register(name)}
      error={!!errors[name]}
      helperText={errors[name]?.message}
      slotProps={{ htmlInput: { maxLength: LIMITS.name } }}
    />
  );
  const number = (name: 'birthYear' | 'heightMetres' | 'massKg', label: string): ReactNode => (
    <TextField
      label={label}
      size="small"
      {...register(name, { setValueAs: numberOrNull })}
      error={!!errors[name]}
      helperText={errors[name]?.message}
      slotProps={{ htmlInput: { inputMode: 'decimal' } }}
    />
  );
  return (
    <section className="card">
      <Typography variant="h2" gutterBottom>
        {TEXT.record}
      </Typography>
      <form noValidate onSubmit={(event) => void keep(event)} style={{ display: 'grid', gap: 10 }}>
        <div className="fields-of-two">
          {text('name', TEXT.name)}
          {text('squad', TEXT.squad)}
          {number('birthYear', TEXT.birthYear)}
          {number('heightMetres', TEXT.standingHeightM)}
          {number('massKg', TEXT.bodyMassKg)}
          <ChoiceField size="small" control={control} name="dominantSide" label={TEXT.dominantSide} options={SIDES} />
          <ChoiceField
            size="small"
            control={control}
            name="segmentTable"
            label={TEXT.segmentMasses}
            options={SEGMENT_TABLES}
          />
        </div>
        <TextField
          label={TEXT.notes}
          size="small"
          multiline
          maxRows={8}
          {...register('notes')}
          slotProps={{ htmlInput: { maxLength: LIMITS.text } }}
        />
        <div style={{ display: 'flex', gap: 10, alignItems: 'center' }}>
          <Button
            type="submit"
            variant="contained"
            size="small"
            sx={{ flex: 'none' }}
            disabled={!isDirty || isSubmitting}
          >
            {TEXT.saveRecord}
          </Button>
          <span className="note">{TEXT.newClipsTakeSideAnd}</span>
        </div>
      </form>
    </section>
  );
}
