import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import type { Clip } from '../../../core/model/clip';
import { cameraText, takeCameraAsStill } from '../../../state/camera-motion-use-cases';

/** What a clip's camera does, where somebody has looked; one that moves can be overruled. */
export function CameraLine({ clip, name }: { readonly clip: Clip; readonly name: string }): ReactNode {
  const camera = cameraText(clip);
  if (!camera) return null;
  if (!camera.moves)
    return (
      <span className="note">
        Camera of the {name}: {camera.text}.
      </span>
    );
  return (
    <div role="note" className="camera-moves">
      <strong>
        Camera of the {name}: {camera.text}.
      </strong>{' '}
      Paths, speeds, heights and contacts on the ground are not measured in it; angles between parts of the body are.{' '}
      <Button size="small" onClick={() => takeCameraAsStill(clip)}>
        It stood still
      </Button>
    </div>
  );
}
