import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import type { ReactNode } from 'react';
import type { Movement } from '../../core/model/movement';
import { setView, useView } from '../../application/stores/view-store';
import { TEXT } from '../../text/components/help';

const KEYS: readonly (readonly [string, string])[] = [
  ['\u2190 \u2192', TEXT.stepAllClipsByOne],
  [TEXT.shift, TEXT.stepOnlyChosenClip],
  [TEXT.ctrl, TEXT.stepAllByTenFrames],
  [TEXT.space, TEXT.playOrPause],
  [TEXT.pageUpPageDown, TEXT.previousMomentNextMoment],
  [TEXT.alt, TEXT.moveReferenceOrChosenFurther],
  ['C', TEXT.alignHereBringOtherClips],
  [TEXT.esc, TEXT.putDrawingOrMarkingTool],
  ['L', TEXT.loopOnOrOff],
  ['A', TEXT.chooseNextClip],
  ['B', TEXT.followBodyOrViewSet],
  [TEXT.shiftB, TEXT.holdGroundStillWhereCamera],
  ['O', TEXT.linesOnOrOffWith],
  [TEXT.zShiftZ0, TEXT.zoomTimeInOutAll],
  ['T', TEXT.picturesAlongTime],
  ['U', TEXT.soundOfChosenClipOn],
  [TEXT.tabToPinThen, TEXT.moveMomentByFrameWith],
  ['R', TEXT.talkOverPicturesRecordOr],
  ['G', TEXT.noteGoodAtThisFrame],
  ['W', TEXT.noteWorkOnAtThis],
  ['P', TEXT.atMeasureCorrectPointsBy],
  ['N, E', TEXT.placeChosenPointByPress],
  [TEXT.ctrlShiftArrows, TEXT.moveChosenPointByQuarter],
  ['H', TEXT.chosenPointIsHiddenOn],
  [TEXT.fShiftF, TEXT.trackChosenPointOnOr],
  [TEXT.ctrlZCtrlShiftZ, TEXT.undoRedo],
  ['?', TEXT.thisSheet],
];

export function HelpSheet({ movement }: { readonly movement: Movement }): ReactNode {
  const open = useView((state) => state.helpOpen);
  return (
    <Dialog open={open} onClose={() => setView({ helpOpen: false })} maxWidth="sm" fullWidth>
      <DialogTitle>{TEXT.keys}</DialogTitle>
      <DialogContent>
        <table className="sheet">
          <tbody>
            {[
              ...KEYS,
              ...movement.moments.map((m) => [m.key, TEXT.markNameInChosenClip(m.name.toLowerCase())] as const),
            ].map(([key, text]) => (
              <tr key={key}>
                <td>
                  <kbd>{key}</kbd>
                </td>
                <td className="left wrap">{text}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </DialogContent>
    </Dialog>
  );
}
