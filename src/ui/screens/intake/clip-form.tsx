import { zodResolver } from '@hookform/resolvers/zod';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, type ReactNode } from 'react';
import { Controller, useForm, useWatch } from 'react-hook-form';
import type { Clip, Role } from '../../../core/model/clip';
import { dayOf } from '../../../core/model/session';
import { measuresByPlane } from '../../../core/calibration/camera-direction';
import { baseOf } from '../../../application/analysis/derived';
import { useDocument } from '../../../application/stores/document-store';
import { AthleteName, type NamedAthlete } from '../../components/athlete-name';
import { ChoiceField, SEGMENT_TABLES, SIDES } from '../../components/choice-field';
import { ViewDial } from '../../components/view-dial';
import { performerOf } from '../../../application/season/athlete-use-cases';
import { addClip, changeClip, type ProbedFile } from '../../../application/clips/clip-use-cases';
import { withFirstRate } from '../../../core/timing/clip-time';
import type { FigureAnswers } from '../../../core/tracks/figure';
import { addFigure, type ProbedPoints } from '../../../application/tracks/point-files';
import { defaults, formSchema, viewOf, type FormValues } from './clip-answers';
import { FileFacts } from './file-facts';
import { RepeatsNote, TimesUnsureNote } from './repeats-note';
import { WithdrawConsent } from './withdraw-consent';
import { TEXT } from '../../../text/screens/intake';

const VIEWS = [
  ['side', TEXT.fromSide],
  ['front', TEXT.fromFront],
  ['back', TEXT.fromBehind],
  ['overhead', TEXT.fromAbove],
] as const;
const TRAVELS = [
  ['right', TEXT.toRight],
  ['left', TEXT.toLeft],
] as const;

interface ClipFormProps {
  readonly role: Role;
  readonly clip: Clip | null;
  readonly probed: ProbedFile | null;
  /** A file of points instead of a video. */
  readonly points: { readonly probed: ProbedPoints; readonly answers: FigureAnswers } | null;
  readonly first: Clip | null;
  readonly onDone: (added: boolean) => void;
  readonly onProblem: (message: string) => void;
  /** Takes the frames, too, that are left out since they repeat a picture. */
  readonly onEveryFrame: (probed: ProbedFile) => void;
}

export function ClipForm({
  role,
  clip,
  first,
  probed,
  points,
  onDone,
  onProblem,
  onEveryFrame,
}: ClipFormProps): ReactNode {
  /** What is known of a clip says nothing of the file that is to take its place. */
  const known = probed || points ? null : clip;
  const { register, control, handleSubmit, formState, setValue } = useForm<FormValues>({
    resolver: zodResolver(formSchema),
    defaultValues: defaults(known, probed, first),
  });
  const { errors, isSubmitting, isDirty } = formState;
  const index = points ? null : (probed?.index ?? clip);
  const fileRate = index?.fileRate ?? 0;
  const consent = useWatch({ control, name: 'performer.consent' });
  const captureRate = useWatch({ control, name: 'captureRate' });
  const [viewKind, offPlane, down, travel] = useWatch({ control, name: ['viewKind', 'offPlane', 'down', 'travel'] });
  const [name, athleteId] = useWatch({ control, name: ['performer.name', 'performer.athleteId'] });
  const session = useDocument((state) => state.session);
  /** What a record tells need not be asked again; consent is asked of everybody who has none. */
  const nameAthlete = ({ record, ...who }: NamedAthlete): void => {
    const set = { shouldDirty: true } as const;
    setValue('performer.name', who.name, { ...set, shouldValidate: formState.isSubmitted });
    setValue('performer.athleteId', who.athleteId, set);
    // Of somebody else nothing is known.
    setValue('performer.heightMetres', undefined, set);
    if (!record || !session) return;
    const {
      dominantSide,
      segmentTable,
      heightMetres,
      minor,
      consent: given,
    } = performerOf(record, dayOf(session), null);
    setValue('performer.dominantSide', dominantSide, set);
    setValue('performer.segmentTable', segmentTable, set);
    setValue('performer.heightMetres', heightMetres, set);
    if (record.birthYear !== null) setValue('performer.minor', minor, set);
    if (record.consent !== null || record.withdrawnOn !== null) setValue('performer.consent', given, set);
  };
  const counts = useMemo(() => (session ? measuresByPlane(baseOf(session).measures) : null), [session]);
  const slow = index !== null && captureRate !== null && captureRate > fileRate * 1.05;
  const isPictures = points === null && (probed ?? clip)?.pictures === true;
  /** A figure's view follows from its camera, its time from its file. */
  const isFigure = points !== null || (!probed && clip !== null && clip.mediaId === null);
  const submit = handleSubmit(async (values) => {
    const { captureRate: rate } = values;
    const answers = {
      performer: values.performer,
      view: viewOf(values, known),
      travel: values.travel,
    };
    if (!probed && !points)
      return changeClip(clip!.id, {
        ...(isFigure ? { performer: answers.performer } : answers),
        ...withFirstRate(clip!, rate),
      });
    const place =
      !clip && first ? { cameraOf: first.id } : { replace: clip?.id ?? null, cameraOf: clip?.sync?.to ?? null };
    const added = points
      ? await addFigure(role, points.probed.fileName, points.answers, answers.performer, place)
      : await addClip(role, probed!, { ...answers, captureRate: rate }, place);
    if (added.ok) onDone(true);
    else onProblem(added.issue.message);
  });
  return (
    <form onSubmit={(event) => void submit(event)} style={{ marginTop: 12, display: 'grid', gap: 12 }} noValidate>
      {index && (
        <FileFacts index={index} part={(probed ?? clip)?.part ?? null} name={probed?.file.name} still={isPictures} />
      )}
      {probed && probed.furtherParts.length > 0 && (
        <Alert severity="info">
          {probed.furtherParts.length === 1
            ? TEXT.oneFurtherPartBecomesClip
            : TEXT.countFurtherPartsBecomeClips(probed.furtherParts.length)}
        </Alert>
      )}
      {probed && <RepeatsNote probed={probed} onEveryFrame={() => onEveryFrame(probed)} />}
      {clip && !probed && !points && <TimesUnsureNote clip={clip} />}
      {probed?.index.warning && <Alert severity="info">{probed.index.warning}</Alert>}
      {!first && (
        <AthleteName
          label={TEXT.name}
          name={name}
          athleteId={athleteId}
          onChange={nameAthlete}
          error={errors.performer?.name?.message}
        />
      )}
      <div style={{ display: 'flex', gap: 12, flexWrap: 'wrap' }}>
        {!first && (
          <>
            <ChoiceField control={control} name="performer.dominantSide" label={TEXT.dominantSide} options={SIDES} />
            <ChoiceField
              control={control}
              name="performer.segmentTable"
              label={TEXT.segmentMasses}
              options={SEGMENT_TABLES}
            />
          </>
        )}
        {!isFigure && (
          <>
            <ChoiceField control={control} name="viewKind" label={TEXT.cameraView} options={VIEWS} />
            <ChoiceField control={control} name="travel" label={TEXT.movesInPicture} options={TRAVELS} />
          </>
        )}
      </div>
      {!isFigure && counts && (
        <ViewDial
          clip={{ view: viewOf({ viewKind, offPlane, down }, known), travel }}
          counts={counts}
          onChange={({ view, travel: goes }) => {
            const change = { shouldDirty: true, shouldValidate: true };
            setValue('viewKind', view.kind, change);
            setValue('offPlane', String(view.offPlaneDegrees), change);
            setValue('travel', goes, change);
          }}
        />
      )}
      {!points && !isPictures && (
        <div style={{ display: 'flex', gap: 12, flexWrap: 'wrap' }}>
          <TextField
            label={TEXT.captureRateFramesPerSecond}
            type="number"
            slotProps={{ htmlInput: { step: 'any' } }}
            {...register('captureRate', { setValueAs: (text) => (text === '' || text === null ? null : Number(text)) })}
            error={!!errors.captureRate}
            helperText={
              errors.captureRate?.message ??
              (slow
                ? TEXT.slowMotionFilePlaysCapture((captureRate / fileRate).toFixed(1))
                : captureRate === null
                  ? TEXT.notKnownNoTimesAre
                  : TEXT.whatCameraTookMoreThan)
            }
            sx={{ flex: 1, minWidth: 220 }}
          />
          {!isFigure && (
            <TextField
              label={TEXT.cameraOffPlaneDegrees}
              {...register('offPlane')}
              error={!!errors.offPlane}
              helperText={errors.offPlane?.message ?? TEXT.emptyNotKnown}
              sx={{ flex: 1, minWidth: 180 }}
            />
          )}
          {!isFigure && viewKind !== 'overhead' && (
            <TextField
              label={TEXT.cameraLooksDownDegrees}
              {...register('down')}
              error={!!errors.down}
              helperText={errors.down?.message ?? TEXT.fromStandOrRaised}
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
                label={TEXT.underAge}
              />
            )}
          />
          <Controller
            name="performer.consent"
            control={control}
            render={({ field }) => (
              <FormControlLabel
                control={<Checkbox checked={field.value} onChange={field.onChange} />}
                label={TEXT.consentToFilmAndAnalyse}
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
          {probed || points ? (first ? TEXT.takeThisCamera : TEXT.takeAsRole(role)) : TEXT.saveChanges}
        </Button>
        {(probed || points) && (
          <Button onClick={() => onDone(false)} sx={{ ml: 1 }}>
            {TEXT.doNotUseThisFile}
          </Button>
        )}
      </div>
    </form>
  );
}
