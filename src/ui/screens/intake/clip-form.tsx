import { zodResolver } from '@hookform/resolvers/zod';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { Controller, useForm, useWatch } from 'react-hook-form';
import { z } from 'zod';
import {
  performerSchema,
  segmentTableSchema,
  sideSchema,
  viewKindSchema,
  type Clip,
  type Role,
} from '../../../core/model/clip';
import { addClip, changeClip, type ProbedFile } from '../../../state/clip-use-cases';
import type { FigureAnswers } from '../../../core/tracks/figure';
import { addFigure, type ProbedPoints } from '../../../state/point-files';
import { WithdrawConsent } from './withdraw-consent';

const formSchema = z.object({
  performer: performerSchema.extend({
    segmentTable: segmentTableSchema,
    consent: z.boolean().refine((given) => given, 'Without consent the footage must not be analysed. Ask first.'),
  }),
  viewKind: viewKindSchema,
  offPlane: z
    .string()
    .refine(
      (text) => text.trim() === '' || Math.abs(Number(text)) <= 90,
      'Give degrees from -90 to 90, or leave it empty.',
    ),
  travel: sideSchema,
  captureRate: z
    .number({ error: 'Give frames per second, for example 120.' })
    .positive('Give frames per second, for example 120.')
    .max(10000),
});

type FormValues = z.infer<typeof formSchema>;

/** How long a file plays, its last frame included. */
function durationOf({ frameTimes, fileRate }: Pick<Clip, 'frameTimes' | 'fileRate'>): string {
  const seconds = frameTimes[frameTimes.length - 1]! / 1e6 + 1 / fileRate;
  if (seconds < 90) return `${seconds.toFixed(2)} s`;
  return `${Math.floor(seconds / 60)} min ${Math.round(seconds % 60)} s`;
}

const framesOf = (count: number): string => `${count} ${count === 1 ? 'frame' : 'frames'}`;

/** Which part of a file a clip is. */
const partText = (clip: Pick<Clip, 'part'> | null): string =>
  clip?.part ? `${clip.part.from.toFixed(2)} to ${clip.part.to.toFixed(2)} s of the file, ` : '';

function defaults(clip: Clip | null, probed: ProbedFile | null, first: Clip | null): FormValues {
  return {
    performer: first?.performer ??
      clip?.performer ?? { name: '', dominantSide: 'right', segmentTable: 'male', minor: false, consent: false },
    viewKind: clip?.view.kind ?? (first ? 'front' : 'side'),
    offPlane: clip?.view.offPlaneDegrees == null ? '' : String(clip.view.offPlaneDegrees),
    travel: clip?.travel ?? first?.travel ?? 'right',
    captureRate: clip?.captureRate ?? probed?.index.captureRate ?? probed?.index.fileRate ?? 30,
  };
}

interface ClipFormProps {
  readonly role: Role;
  readonly clip: Clip | null;
  readonly probed: ProbedFile | null;
  /** A file of points instead of a video. */
  readonly points: { readonly probed: ProbedPoints; readonly answers: FigureAnswers } | null;
  readonly first: Clip | null;
  readonly onDone: (added: boolean) => void;
  readonly onProblem: (message: string) => void;
}

export function ClipForm({ role, clip, first, probed, points, onDone, onProblem }: ClipFormProps): ReactNode {
  const { register, control, handleSubmit, formState } = useForm<FormValues>({
    resolver: zodResolver(formSchema),
    defaultValues: defaults(probed || points ? null : clip, probed, first),
  });
  const { errors, isSubmitting, isDirty } = formState;
  const index = points ? null : (probed?.index ?? clip);
  const fileRate = index?.fileRate ?? 0;
  const consent = useWatch({ control, name: 'performer.consent' });
  const captureRate = useWatch({ control, name: 'captureRate' });
  const slow = index !== null && captureRate > fileRate * 1.05;
  const isPictures = points === null && (probed ?? clip)?.pictures === true;
  /** A figure's view follows from its camera, its time from its file. */
  const isFigure = points !== null || (!probed && clip !== null && clip.mediaId === null);
  const submit = handleSubmit(async (values) => {
    const answers = {
      performer: values.performer,
      view: { kind: values.viewKind, offPlaneDegrees: values.offPlane.trim() === '' ? null : Number(values.offPlane) },
      travel: values.travel,
      captureRate: values.captureRate,
    };
    if (!probed && !points)
      return changeClip(
        clip!.id,
        isFigure ? { performer: answers.performer, captureRate: answers.captureRate } : answers,
      );
    const place =
      !clip && first ? { cameraOf: first.id } : { replace: clip?.id ?? null, cameraOf: clip?.sync?.to ?? null };
    const added = points
      ? await addFigure(role, points.probed.fileName, points.answers, answers.performer, place)
      : await addClip(role, probed!, answers, place);
    if (added.ok) onDone(true);
    else onProblem(added.issue.message);
  });
  const choice = (
    name: 'performer.dominantSide' | 'performer.segmentTable' | 'viewKind' | 'travel',
    label: string,
    options: readonly (readonly [string, string])[],
  ): ReactNode => (
    <Controller
      name={name}
      control={control}
      render={({ field }) => (
        <TextField select label={label} {...field} sx={{ minWidth: 150 }}>
          {options.map(([value, text]) => (
            <MenuItem key={value} value={value}>
              {text}
            </MenuItem>
          ))}
        </TextField>
      )}
    />
  );
  return (
    <form onSubmit={(event) => void submit(event)} style={{ marginTop: 12, display: 'grid', gap: 12 }} noValidate>
      {index && (
        <div style={{ fontSize: '.86rem' }}>
          {probed ? `${probed.file.name}: ` : ''}
          {index.width} × {index.height},{' '}
          {isPictures
            ? `${index.frameTimes.length} still ${index.frameTimes.length === 1 ? 'picture' : 'pictures'}: what is ` +
              'read at moments is measured, nothing of time'
            : `${partText(probed ?? clip)}${framesOf(index.frameTimes.length)}, ${index.fileRate} frames per ` +
              `second in the file, ${durationOf(index)}, ${index.codec}`}
        </div>
      )}
      {probed && probed.furtherParts.length > 0 && (
        <Alert severity="info">
          {probed.furtherParts.length === 1
            ? 'One further part becomes a clip'
            : `${probed.furtherParts.length} further parts become clips`}{' '}
          of the same answers; each is a performance of its own.
        </Alert>
      )}
      {probed?.index.warning && <Alert severity="info">{probed.index.warning}</Alert>}
      {!first && (
        <TextField
          label="Name"
          {...register('performer.name')}
          error={!!errors.performer?.name}
          helperText={errors.performer?.name?.message}
        />
      )}
      <div style={{ display: 'flex', gap: 12, flexWrap: 'wrap' }}>
        {!first &&
          choice('performer.dominantSide', 'Dominant side', [
            ['right', 'Right'],
            ['left', 'Left'],
          ])}
        {!first &&
          choice('performer.segmentTable', 'Segment masses', [
            ['male', 'Male table'],
            ['female', 'Female table'],
          ])}
        {!isFigure &&
          choice('viewKind', 'Camera view', [
            ['side', 'From the side'],
            ['front', 'From the front'],
            ['back', 'From behind'],
            ['overhead', 'From above'],
          ])}
        {!isFigure &&
          choice('travel', 'Moves in the picture', [
            ['right', 'To the right'],
            ['left', 'To the left'],
          ])}
      </div>
      {!points && !isPictures && (
        <div style={{ display: 'flex', gap: 12, flexWrap: 'wrap' }}>
          <TextField
            label="Capture rate, frames per second"
            type="number"
            slotProps={{ htmlInput: { step: 'any' } }}
            {...register('captureRate', { valueAsNumber: true })}
            error={!!errors.captureRate}
            helperText={
              errors.captureRate?.message ??
              (slow
                ? `Slow motion: the file plays ${(captureRate / fileRate).toFixed(1)} times slower than life`
                : 'What the camera took; more than the file’s rate for slow motion')
            }
            sx={{ flex: 1, minWidth: 220 }}
          />
          {!isFigure && (
            <TextField
              label="Camera off the plane, degrees"
              {...register('offPlane')}
              error={!!errors.offPlane}
              helperText={errors.offPlane?.message ?? 'Empty: not known'}
              sx={{ flex: 1, minWidth: 180 }}
            />
          )}
        </div>
      )}
      {!first && (
        <div>
          <Controller
            name="performer.minor"
            control={control}
            render={({ field }) => (
              <FormControlLabel
                control={<Checkbox checked={field.value} onChange={field.onChange} />}
                label="Under age"
              />
            )}
          />
          <Controller
            name="performer.consent"
            control={control}
            render={({ field }) => (
              <FormControlLabel
                control={<Checkbox checked={field.value} onChange={field.onChange} />}
                label="Consent to film and analyse is given"
              />
            )}
          />
          {errors.performer?.consent && (
            <Typography color="error" sx={{ fontSize: '.85rem' }}>
              {errors.performer.consent.message}
            </Typography>
          )}
        </div>
      )}
      {clip && !probed && !points && clip.performer.consent && !consent && <WithdrawConsent clip={clip} />}
      <div>
        <Button type="submit" variant="contained" disabled={isSubmitting || (!probed && !points && !isDirty)}>
          {probed || points ? (first ? 'Use this camera' : `Use as ${role}`) : 'Save changes'}
        </Button>
        {(probed || points) && (
          <Button onClick={() => onDone(false)} sx={{ ml: 1 }}>
            Do not use this file
          </Button>
        )}
      </div>
    </form>
  );
}
