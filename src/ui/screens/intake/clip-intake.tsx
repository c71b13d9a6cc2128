import { zodResolver } from '@hookform/resolvers/zod';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useEffect, useEffectEvent, useId, useRef, useState, type DragEvent, type ReactNode } from 'react';
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
import { addClip, converterState, changeClip, probeFile, type ProbedFile } from '../../../state/clip-use-cases';
import { convertFor, placeKey, whenConverted } from '../../../state/conversions';
import type { FigureAnswers } from '../../../core/tracks/figure';
import { useDocument } from '../../../state/document-store';
import { addFigure, isPointFile, probePoints, turnFigure, type ProbedPoints } from '../../../state/point-files';
import { notify } from '../../../state/notices';
import { giveVideoBack } from '../../../state/session-files';
import { CameraPlan } from './camera-plan';
import { PointsOptions } from './points-options';
import type { StyleKey } from '../../../core/model/slots';
import { RoleName } from '../../components/role-name';
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

/** What the server may be able to read where the browser cannot. */
const NEEDS_CONVERSION: ReadonlySet<string> = new Set(['unknown-codec', 'not-a-video', 'truncated']);
/** Containers whose picture may be coded as nothing here can read, so that only their sound is seen. */
const OLD_CONTAINER = /\.(m?ts|m2ts?|mpe?g|vob|og[gv])$/i;

/** How long a file plays, its last frame included. */
function durationOf({ frameTimes, fileRate }: Pick<Clip, 'frameTimes' | 'fileRate'>): string {
  const seconds = frameTimes[frameTimes.length - 1]! / 1e6 + 1 / fileRate;
  if (seconds < 90) return `${seconds.toFixed(2)} s`;
  return `${Math.floor(seconds / 60)} min ${Math.round(seconds % 60)} s`;
}

const framesOf = (count: number): string => `${count} ${count === 1 ? 'frame' : 'frames'}`;

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

export interface ClipIntakeProps {
  readonly role: Role;
  /** Unique on the page, and what the clip is called. */
  readonly id: string;
  readonly styleKey: StyleKey;
  readonly title: string;
  readonly clip: Clip | null;
  /** The clip that this one is another camera of. */
  readonly first?: Clip | null;
  /** Leaves a place that no file has been given, or takes the clip out. */
  readonly onRemove?: () => void;
  readonly onAdded?: () => void;
}

/** One clip of the session: drop a file, answer the questions, change the answers later. */
export function ClipIntake({
  role,
  id,
  styleKey,
  title,
  clip,
  first = null,
  onRemove,
  onAdded,
}: ClipIntakeProps): ReactNode {
  const [probed, setProbed] = useState<ProbedFile | null>(null);
  const [points, setPoints] = useState<{ readonly probed: ProbedPoints; readonly answers: FigureAnswers } | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [convertible, setConvertible] = useState<File | null>(null);
  const [reading, setReading] = useState(false);
  const [over, setOver] = useState(false);
  const spatial = useDocument((state) => (clip ? state.session?.spatial[clip.id] : undefined));
  const inputId = useId();
  const input = useRef<HTMLInputElement>(null);

  const take = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    setReading(true);
    setConvertible(null);
    if (await isPointFile(file)) {
      const read = await probePoints(file);
      setReading(false);
      setProblem(read.ok ? null : read.issue.message);
      if (!read.ok) return;
      setProbed(null);
      setPoints({ probed: read.value, answers: read.value.proposals[0]! });
      return;
    }
    const result = await probeFile(file);
    setReading(false);
    if (result.ok) {
      const back = clip ? await giveVideoBack(clip, result.value) : null;
      if (back && !back.ok) return setProblem(back.issue.message);
      setProblem(null);
      if (back?.value)
        return notify(
          'info',
          `\u201c${file.name}\u201d has the frames of this clip: it has its video again, with the points that were there.`,
        );
      setPoints(null);
      setProbed(result.value);
      return;
    }
    setProblem(result.issue.message);
    const { code } = result.issue;
    const convertibleCode = NEEDS_CONVERSION.has(code) || (code === 'no-picture' && OLD_CONTAINER.test(file.name));
    if (convertibleCode && (await converterState()) !== 'lacking') setConvertible(file);
  };
  const place = placeKey(
    useDocument((state) => state.session?.id ?? ''),
    id,
  );
  // A conversion goes on while somebody works elsewhere, and arrives here.
  const arrived = useEffectEvent((file: File | null, message: string | null) => {
    if (file) void take(file);
    else setProblem(message);
  });
  useEffect(() => whenConverted(place, (file, message) => arrived(file, message)), [place]);
  const convert = (file: File): void => {
    setConvertible(null);
    setProblem(null);
    void convertFor(place, file);
  };
  const onDrop = (event: DragEvent): void => {
    event.preventDefault();
    setOver(false);
    void take(event.dataTransfer.files[0]);
  };

  return (
    <section className="card" data-testid={`intake-${id}`}>
      <div style={{ display: 'flex', alignItems: 'center' }}>
        <Typography variant="h2" gutterBottom sx={{ flex: 1 }}>
          <RoleName role={styleKey} name={title} />
        </Typography>
        {onRemove && <Button onClick={onRemove}>{clip ? 'Remove' : 'Leave it'}</Button>}
      </div>
      <div
        className={over ? 'drop over' : 'drop'}
        onDragOver={(event) => {
          event.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={onDrop}
      >
        <label htmlFor={inputId}>
          {clip
            ? `${clip.fileName}. Drop another file to replace it.`
            : `Drop ${first ? 'this camera\u2019s clip' : `the ${role}\u2019s clip`} here: video (WebM, MP4, MOV, MKV) or points (C3D, BVH, TRC, CSV, COCO JSON).`}
        </label>
        <div style={{ marginTop: 8 }}>
          <Button variant="outlined" disabled={reading} onClick={() => input.current?.click()}>
            {reading ? 'Reading the file' : 'Choose a file'}
          </Button>
          <input
            ref={input}
            id={inputId}
            type="file"
            accept="video/*,.mkv,.mov,.c3d,.bvh,.trc,.csv,.json"
            className="visually-hidden"
            tabIndex={-1}
            onChange={(event) => {
              void take(event.target.files?.[0]);
              event.target.value = '';
            }}
          />
        </div>
      </div>
      {problem && (
        <Alert severity="warning" sx={{ mt: 1 }} onClose={() => setProblem(null)}>
          {problem}
          {clip ? ' The clip that was here stays.' : ''}
          {convertible && (
            <div>
              <Button variant="outlined" sx={{ mt: 1 }} onClick={() => convert(convertible)}>
                Convert it on this machine
              </Button>
            </div>
          )}
        </Alert>
      )}
      {points && (
        <PointsOptions
          probed={points.probed}
          answers={points.answers}
          onChange={(answers) => setPoints({ ...points, answers })}
        />
      )}
      {!points && clip?.figure && spatial && (
        <div style={{ marginTop: 12 }}>
          <CameraPlan points={spatial} camera={clip.figure} onChange={(camera) => turnFigure(clip, camera)} />
        </div>
      )}
      {(probed || clip || points) && (
        <ClipForm
          key={
            points
              ? `points-${points.probed.fileName}`
              : probed
                ? `file-${probed.file.name}-${probed.file.lastModified}`
                : clip!.id
          }
          role={role}
          clip={clip}
          first={first}
          probed={probed}
          points={points}
          onDone={(added) => {
            setProbed(null);
            setPoints(null);
            if (added) onAdded?.();
          }}
          onProblem={setProblem}
        />
      )}
    </section>
  );
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

function ClipForm({ role, clip, first, probed, points, onDone, onProblem }: ClipFormProps): ReactNode {
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
          {index.width} × {index.height}, {framesOf(index.frameTimes.length)}, {index.fileRate} frames per second in the
          file, {durationOf(index)}, {index.codec}
        </div>
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
      {!points && (
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
