import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { cameraText, takeCameraAsStill } from '../../../state/camera-motion-use-cases';
import type { BenchClip } from '../../../state/derived';
import { clipName } from '../../components/clip-name';

/** What each camera does, where somebody has looked: those that stand still in one line, each that moves by itself. */
export function CameraLines({ clips }: { readonly clips: readonly BenchClip[] }): ReactNode {
  const looked = clips.flatMap((on) => {
    const { clip } = on.performance;
    const camera = cameraText(clip);
    return camera ? [{ clip, name: clipName(on), ...camera }] : [];
  });
  const still = looked.filter(({ moves }) => !moves).map(({ name }) => name);
  return (
    <>
      {still.length > 0 && <span className="note">Camera stands still: {still.join(', ')}.</span>}
      {looked
        .filter(({ moves }) => moves)
        .map(({ clip, name, text }) => (
          <div key={clip.id} role="note" className="camera-moves">
            <strong>
              Camera of the {name}: {text}.
            </strong>{' '}
            Paths, speeds, heights and contacts on the ground are not measured in it; angles between parts of the body
            are.{' '}
            <Button size="small" onClick={() => takeCameraAsStill(clip)}>
              It stood still
            </Button>
          </div>
        ))}
    </>
  );
}
