import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { cameraText, observeCameraOf, takeCameraAsStill } from '../../../application/clips/camera-motion-use-cases';
import type { BenchClip } from '../../../application/bench/bench-clips';
import { useJobs } from '../../../application/stores/jobs';
import { notify } from '../../../application/stores/notices';
import type { Clip } from '../../../core/model/clip';
import { clipName } from '../../components/clip-name';
import { TEXT } from '../../../text/screens/bench/measure';

async function observe(clips: readonly Clip[]): Promise<void> {
  for (const clip of clips) {
    const observed = await observeCameraOf(clip);
    if (observed.ok) continue;
    if (observed.issue.code === 'cancelled') return;
    notify('error', observed.issue.message);
  }
}

/** What each camera does: those that stand still in one line, each that moves by itself, and those not checked yet. */
export function CameraLines({ clips }: { readonly clips: readonly BenchClip[] }): ReactNode {
  const jobs = useJobs((state) => state.jobs);
  const all = clips.map((on) => ({
    clip: on.trial.clip,
    name: clipName(on),
    camera: cameraText(on.trial),
  }));
  const still = all.filter(({ camera }) => camera && !camera.moves).map(({ name }) => name);
  const unknown = all.filter(({ clip, camera }) => !camera && clip.mediaId && !clip.pictures);
  const isBusy = ({ id }: Clip): boolean => jobs.some((job) => job.id === `camera-${id}` || job.id === `points-${id}`);
  const checkButton = (of: readonly Clip[], text: string): ReactNode => (
    <Button size="small" disabled={of.some(isBusy)} onClick={() => void observe(of)}>
      {text}
    </Button>
  );
  return (
    <>
      {still.length > 0 && <span className="note">{TEXT.cameraStandsStill(still.join(', '))}</span>}
      {all.map(({ clip, name, camera }) => {
        if (!camera?.moves) return null;
        return (
          <div key={clip.id} role="note" className={camera.takenOut ? 'note' : 'camera-moves'}>
            <strong>{TEXT.cameraOfNameText(name, camera.text)}</strong> {camera.measured}{' '}
            <Button size="small" onClick={() => takeCameraAsStill(clip)}>
              {TEXT.itStoodStill}
            </Button>
            {clip.mediaId && checkButton([clip], TEXT.checkAgain)}
          </div>
        );
      })}
      {unknown.length > 0 && (
        <div>
          {checkButton(
            unknown.map(({ clip }) => clip),
            unknown.length === 1 ? TEXT.checkWhetherCameraOfName(unknown[0]!.name) : TEXT.checkWhetherCamerasMove,
          )}
        </div>
      )}
    </>
  );
}
