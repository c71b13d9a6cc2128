import { z } from 'zod';
import {
  performerSchema,
  segmentTableSchema,
  sideSchema,
  viewKindSchema,
  type Clip,
  type View,
} from '../../../core/model/clip';
import { LIMITS } from '../../../core/model/limits';
import { captureRateAt } from '../../../core/timing/clip-time';
import type { ProbedFile } from '../../../application/clips/clip-use-cases';
import { TEXT } from '../../../text/screens/intake';

/** What is asked of a clip. */
export const formSchema = z.object({
  performer: performerSchema.extend({
    segmentTable: segmentTableSchema,
    consent: z.boolean().refine((given) => given, TEXT.withoutConsentFootageMustNot),
  }),
  viewKind: viewKindSchema,
  offPlane: z.string().refine((text) => text.trim() === '' || Math.abs(Number(text)) <= 90, TEXT.giveDegreesFrom90To),
  down: z.string().refine((text) => text.trim() === '' || Math.abs(Number(text)) <= 60, TEXT.giveDegreesFrom60To),
  travel: sideSchema,
  captureRate: z
    .number({ error: TEXT.giveFramesPerSecondFor })
    .positive(TEXT.giveFramesPerSecondFor)
    .max(LIMITS.rate.most, TEXT.rateIsAtMostSecond(LIMITS.rate.most))
    .nullable(),
});

export type FormValues = z.infer<typeof formSchema>;

/** What the fields hold at first. */
export function defaults(clip: Clip | null, probed: ProbedFile | null, first: Clip | null): FormValues {
  return {
    performer: first?.performer ??
      clip?.performer ?? { name: '', dominantSide: 'right', segmentTable: 'male', minor: false, consent: false },
    viewKind: clip?.view.kind ?? (first ? 'front' : 'side'),
    offPlane: clip?.view.offPlaneDegrees == null ? '' : String(clip.view.offPlaneDegrees),
    down: clip?.view.downDegrees === undefined ? '' : String(clip.view.downDegrees),
    travel: clip?.travel ?? first?.travel ?? 'right',
    captureRate: clip ? captureRateAt(clip, 0) : (probed?.index.captureRate ?? probed?.index.fileRate ?? 30),
  };
}

/** The angle that was typed; null where nothing was, or nothing that is one. */
const degreesOf = (text: string): number | null =>
  text.trim() === '' || !Number.isFinite(Number(text)) ? null : Number(text);

/** The view that the fields say; how sure it is stays where it is the clip's own. */
export function viewOf(
  { viewKind: kind, offPlane, down: looksDown }: Pick<FormValues, 'viewKind' | 'offPlane' | 'down'>,
  clip: Clip | null,
): View {
  const [offPlaneDegrees, downDegrees] = [degreesOf(offPlane), degreesOf(looksDown) ?? undefined];
  const known = clip?.view.kind === kind ? clip.view : null;
  const [own, down] = [known?.offPlaneDegrees === offPlaneDegrees, known?.downDegrees === downDegrees];
  return {
    kind,
    offPlaneDegrees,
    offPlaneSdDegrees: own ? known?.offPlaneSdDegrees : undefined,
    downDegrees,
    downSdDegrees: down ? known?.downSdDegrees : undefined,
  };
}
