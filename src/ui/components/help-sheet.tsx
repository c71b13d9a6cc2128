import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import type { ReactNode } from 'react';
import type { Movement } from '../../core/model/movement';
import { setView, useView } from '../../application/stores/view-store';

const KEYS: readonly (readonly [string, string])[] = [
  ['\u2190 \u2192', 'Step all clips by one frame'],
  ['Shift + \u2190 \u2192', 'Step only the chosen clip'],
  ['Ctrl + \u2190 \u2192', 'Step all by ten frames'],
  ['Space', 'Play or pause'],
  ['Page up, Page down', 'Moment before, moment after'],
  [
    'Alt + \u2190 \u2192',
    'Move the reference, or the chosen further clip or camera, against the rest by a frame; with Shift by a tenth',
  ],
  ['C', 'Align here: bring the other clips to the same moment and lock them'],
  ['Esc', 'Put the drawing or marking tool down'],
  ['L', 'Loop on or off'],
  ['A', 'Choose the next clip'],
  ['B', 'Follow the body, or the view set by hand'],
  ['Shift+B', 'Hold the ground still where the camera moved'],
  ['O', 'Lines on or off; with Shift those of the chosen clip'],
  ['Z, Shift + Z, 0', 'Time closer, time farther, all of it'],
  ['T', 'Pictures along the time'],
  ['U', 'Sound of the chosen clip on or off, from half to double speed'],
  ['Tab to a pin, then \u2190 \u2192', 'Move a moment by a frame, with Shift by a tenth; Delete takes it away'],
  ['R', 'Talk over the pictures: record, or pause'],
  ['G', 'Note: good, at this frame'],
  ['W', 'Note: work on, at this frame'],
  ['P', 'At Measure: correct points by hand, or no more'],
  ['N, E', 'Place the chosen point: by a press, or with E where the pointer is'],
  ['Ctrl + Shift + arrows', 'Move the chosen point by a quarter of a pixel'],
  ['H', 'The chosen point is hidden on this frame'],
  ['F, Shift + F', 'Track the chosen point on, or back'],
  ['Ctrl + Z, Ctrl + Shift + Z', 'Undo, redo'],
  ['?', 'This sheet'],
];

export function HelpSheet({ movement }: { readonly movement: Movement }): ReactNode {
  const open = useView((state) => state.helpOpen);
  return (
    <Dialog open={open} onClose={() => setView({ helpOpen: false })} maxWidth="sm" fullWidth>
      <DialogTitle>Keys</DialogTitle>
      <DialogContent>
        <table className="sheet">
          <tbody>
            {[
              ...KEYS,
              ...movement.moments.map(
                (m) => [m.key, `Mark ${m.name.toLowerCase()} in the chosen clip, at its frame`] as const,
              ),
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
