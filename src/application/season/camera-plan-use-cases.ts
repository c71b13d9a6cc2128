import type { CameraPlan } from '../../core/model/camera-plan';
import { edit } from '../stores/document-store';

export function setCameraPlan(plan: CameraPlan): void {
  edit((session) => {
    session.cameraPlan = plan;
  });
}
