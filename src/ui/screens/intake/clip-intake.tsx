import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useEffect, useEffectEvent, useState, type ReactNode } from 'react';
import type { Clip, Role } from '../../../core/model/clip';
import type { StyleKey } from '../../../core/model/slots';
import { convertFor, placeKey, whenConverted } from '../../../application/intake/conversions';
import { useDocument } from '../../../application/stores/document-store';
import { receiveEveryFrame, receiveFile, receiveParts, type Dropped } from '../../../application/intake/dropped-file';
import { notify } from '../../../application/stores/notices';
import { turnFigure } from '../../../application/tracks/point-files';
import { RoleName } from '../../components/role-name';
import { AttemptCard } from './attempt-card';
import { FigureFromAbove } from './figure-from-above';
import { ClipForm } from './clip-form';
import { DropZone } from './drop-zone';
import { LibraryCard } from './library-card';
import { OtherDocument } from './other-document';
import { PartsChooser } from './parts-chooser';
import { PointsOptions } from './points-options';
import { TEXT } from '../../../text/screens/intake';

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

/** What is asked about a dropped file, as it stands; none of it was there before. */
type Open = Extract<Dropped, { readonly is: 'video' | 'points' | 'long' | 'session' | 'movement' }>;

/** Answers of another file, or of the clip that is there, begin anew. */
function formKey(clip: Clip | null, open: Open | null): string {
  if (open?.is === 'points') return `points-${open.probed.fileName}`;
  if (open?.is === 'video') {
    const { file, index } = open.probed;
    return `file-${file.name}-${file.lastModified}-${index.frameTimes.length}`;
  }
  return clip!.id;
}

/** One clip of the session: drop a file, answer the questions, change the answers later. */
export function ClipIntake(props: ClipIntakeProps): ReactNode {
  const { role, id, styleKey, title, clip, first = null, onRemove, onAdded } = props;
  const [open, setOpen] = useState<Open | null>(null);
  const [problem, setProblem] = useState<{ readonly message: string; readonly convertible: File | null } | null>(null);
  const [reading, setReading] = useState(false);
  const spatial = useDocument((state) => (clip ? state.session?.spatial[clip.id] : undefined));
  const say = (message: string): void => setProblem({ message, convertible: null });

  /** What was being asked stays where the new file cannot be read. */
  const take = async (receiving: Promise<Dropped>): Promise<void> => {
    setReading(true);
    const dropped = await receiving;
    setReading(false);
    if (dropped.is === 'refused')
      return setProblem({ message: dropped.message, convertible: dropped.convertible ? dropped.file : null });
    setProblem(null);
    if (dropped.is !== 'given-back') return setOpen(dropped);
    setOpen(null);
    notify('info', TEXT.fileNameHasFramesOf(dropped.fileName));
  };
  const place = placeKey(
    useDocument((state) => state.session?.id ?? ''),
    id,
  );
  // A conversion goes on while somebody works elsewhere, and arrives here.
  const arrived = useEffectEvent((file: File | null, message: string | null) => {
    if (file) void take(receiveFile(file, [], clip));
    else setProblem(message === null ? null : { message, convertible: null });
  });
  useEffect(() => whenConverted(place, (file, message) => arrived(file, message)), [place]);
  const convert = (file: File): void => {
    setProblem(null);
    void convertFor(place, file);
  };
  const asks = open?.is === 'video' || open?.is === 'points';

  return (
    <section className="card" data-testid={`intake-${id}`}>
      <div style={{ display: 'flex', alignItems: 'center' }}>
        <Typography variant="h2" gutterBottom sx={{ flex: 1 }}>
          <RoleName role={styleKey} name={title} />
        </Typography>
        {onRemove && <Button onClick={onRemove}>{clip ? TEXT.remove : TEXT.leaveIt}</Button>}
      </div>
      <DropZone
        label={
          clip
            ? TEXT.fileNameDropAnotherFile(clip.fileName)
            : first
              ? TEXT.dropThisCamerasClipHere
              : TEXT.dropRoleSClipHere(role)
        }
        reading={reading}
        onFiles={([file, ...further]) => file && void take(receiveFile(file, further, clip))}
      />
      {problem && (
        <Alert severity="warning" sx={{ mt: 1 }} onClose={() => setProblem(null)}>
          {problem.message}
          {clip ? TEXT.clipThatWasHereStays : ''}
          {problem.convertible && (
            <div>
              <Button variant="outlined" sx={{ mt: 1 }} onClick={() => convert(problem.convertible!)}>
                {TEXT.convertItOnThisMachine}
              </Button>
            </div>
          )}
        </Alert>
      )}
      {(open?.is === 'session' || open?.is === 'movement') && (
        <OtherDocument is={open.is} file={open.file} onDone={() => setOpen(null)} />
      )}
      {open?.is === 'long' && (
        <PartsChooser
          file={open.file}
          seconds={open.seconds}
          single={first !== null}
          onChosen={(parts) => void take(receiveParts(open.file, parts))}
          onCancel={() => setOpen(null)}
        />
      )}
      {open?.is === 'points' && (
        <PointsOptions
          probed={open.probed}
          answers={open.answers}
          onChange={(answers) => setOpen({ ...open, answers })}
        />
      )}
      {!open && clip?.figure && spatial && (
        <div style={{ marginTop: 12 }}>
          <FigureFromAbove points={spatial} camera={clip.figure} onChange={(camera) => turnFigure(clip, camera)} />
        </div>
      )}
      {(asks || (clip && open?.is !== 'long')) && (
        <ClipForm
          key={formKey(clip, open)}
          role={role}
          clip={clip}
          first={first}
          probed={open?.is === 'video' ? open.probed : null}
          points={open?.is === 'points' ? open : null}
          onDone={(added) => {
            setOpen(null);
            if (added) onAdded?.();
          }}
          onProblem={say}
          onEveryFrame={(probed) => void take(receiveEveryFrame(probed))}
        />
      )}
      {clip && !first && !open && <AttemptCard clip={clip} name={title} />}
      {clip && !first && !open && <LibraryCard clip={clip} name={title} />}
    </section>
  );
}
