import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useEffect, useEffectEvent, useId, useRef, useState, type DragEvent, type ReactNode } from 'react';
import type { Clip, Part, Role } from '../../../core/model/clip';
import { longFile } from '../../../state/attempts';
import { converterState, probeFile, probeParts, type ProbedFile } from '../../../state/clip-use-cases';
import { convertFor, placeKey, whenConverted } from '../../../state/conversions';
import type { FigureAnswers } from '../../../core/tracks/figure';
import { useDocument } from '../../../state/document-store';
import { isPointFile, probePoints, turnFigure, type ProbedPoints } from '../../../state/point-files';
import { notify } from '../../../state/notices';
import { giveVideoBack } from '../../../state/session-files';
import { AttemptCard } from './attempt-card';
import { CameraPlan } from './camera-plan';
import { PartsChooser } from './parts-chooser';
import { PointsOptions } from './points-options';
import type { StyleKey } from '../../../core/model/slots';
import { RoleName } from '../../components/role-name';
import { ClipForm } from './clip-form';

/** What the server may be able to read where the browser cannot. */
const NEEDS_CONVERSION: ReadonlySet<string> = new Set(['unknown-codec', 'not-a-video', 'truncated']);

/** Containers whose picture may be coded as nothing here can read, so that only their sound is seen. */
const OLD_CONTAINER = /\.(m?ts|m2ts?|mpe?g|vob|og[gv])$/i;

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
  const [long, setLong] = useState<Awaited<ReturnType<typeof longFile>>>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [convertible, setConvertible] = useState<File | null>(null);
  const [reading, setReading] = useState(false);
  const [over, setOver] = useState(false);
  const spatial = useDocument((state) => (clip ? state.session?.spatial[clip.id] : undefined));
  const inputId = useId();
  const input = useRef<HTMLInputElement>(null);

  /** Whether a file was the lost video of this clip; then it has it again. */
  const isBack = async (lost: Clip, found: ProbedFile): Promise<boolean> => {
    const back = await giveVideoBack(lost, found);
    setProblem(back.ok ? null : back.issue.message);
    if (back.ok && back.value)
      notify(
        'info',
        `\u201c${found.file.name}\u201d has the frames of this clip: it has its video again, with the points ` +
          'that were there.',
      );
    return !back.ok || back.value;
  };
  const takeParts = async (file: File, parts: readonly Part[]): Promise<void> => {
    setReading(true);
    const result = await probeParts(file, parts);
    setReading(false);
    if (!result.ok) return setProblem(result.issue.message);
    setLong(null);
    setProbed(result.value);
  };

  const take = async (file: File | undefined, further: readonly File[] = []): Promise<void> => {
    if (!file) return;
    setReading(true);
    setConvertible(null);
    setLong(null);
    if (await isPointFile(file)) {
      const read = await probePoints(file);
      setReading(false);
      setProblem(read.ok ? null : read.issue.message);
      if (!read.ok) return;
      setProbed(null);
      setPoints({ probed: read.value, answers: read.value.proposals[0]! });
      return;
    }
    // A part is given back its own frames before anything else is asked of a long file.
    const again = clip?.part ? await probeParts(file, [clip.part]) : null;
    if (clip && again?.ok && (await isBack(clip, again.value))) return setReading(false);
    const choice = further.length === 0 ? await longFile(file) : null;
    if (choice) {
      setReading(false);
      setProbed(null);
      setPoints(null);
      setProblem(null);
      return setLong(choice);
    }
    const result = await probeFile(file, further);
    setReading(false);
    if (result.ok) {
      if (clip && (await isBack(clip, result.value))) return;
      setProblem(null);
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
    const [file, ...further] = event.dataTransfer.files;
    void take(file, further);
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
            : `Drop ${first ? 'this camera\u2019s clip' : `the ${role}\u2019s clip`} here: video (WebM, MP4, MOV, ` +
              'MKV), pictures (PNG, JPEG, WebP, AVIF; several of them are the moments of one performance) or ' +
              'points (C3D, BVH, TRC, CSV, COCO JSON).'}
        </label>
        <div style={{ marginTop: 8 }}>
          <Button variant="outlined" disabled={reading} onClick={() => input.current?.click()}>
            {reading ? 'Reading the file' : 'Choose a file'}
          </Button>
          <input
            ref={input}
            id={inputId}
            type="file"
            accept="video/*,image/*,.mkv,.mov,.c3d,.bvh,.trc,.csv,.json"
            multiple
            className="visually-hidden"
            tabIndex={-1}
            onChange={(event) => {
              const [file, ...further] = event.target.files ?? [];
              void take(file, further);
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
      {long && (
        <PartsChooser
          {...long}
          single={first !== null}
          onChosen={(parts) => void takeParts(long.file, parts)}
          onCancel={() => setLong(null)}
        />
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
      {!long && (probed || clip || points) && (
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
      {clip && !first && !probed && !points && !long && <AttemptCard clip={clip} name={title} />}
    </section>
  );
}
