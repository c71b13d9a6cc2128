import CallMadeIcon from '@mui/icons-material/CallMade';
import ClearIcon from '@mui/icons-material/Clear';
import CloseIcon from '@mui/icons-material/Close';
import ContentCopyIcon from '@mui/icons-material/ContentCopy';
import CropSquareIcon from '@mui/icons-material/CropSquare';
import GestureIcon from '@mui/icons-material/Gesture';
import GridOnIcon from '@mui/icons-material/GridOn';
import HorizontalRuleIcon from '@mui/icons-material/HorizontalRule';
import PanoramaFishEyeIcon from '@mui/icons-material/PanoramaFishEye';
import ShowChartIcon from '@mui/icons-material/ShowChart';
import SquareFootIcon from '@mui/icons-material/SquareFoot';
import TextFieldsIcon from '@mui/icons-material/TextFields';
import VerticalAlignCenterIcon from '@mui/icons-material/VerticalAlignCenter';
import IconButton from '@mui/material/IconButton';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import type { Drawing, DrawingKind } from '../../../core/model/drawing';
import { JOINT_POINTS, pointName, type PointId } from '../../../core/anatomy/body-points';
import { player } from '../../../application/bench/bench-player';
import type { Derived } from '../../../application/analysis/derived';
import { changeDrawing, layOn } from '../../../application/findings/finding-use-cases';
import { setView, useView } from '../../../application/stores/view-store';
import { clipName } from '../../components/clip-name';
import { useCommittedText } from '../../components/use-committed-text';
import { TEXT } from '../../../text/screens/bench/review';

const KINDS: readonly (readonly [DrawingKind, string, ReactNode])[] = [
  ['line', TEXT.line, <ShowChartIcon key="line" fontSize="small" />],
  ['arrow', TEXT.arrow, <CallMadeIcon key="arrow" fontSize="small" />],
  ['angle', TEXT.angle, <SquareFootIcon key="angle" fontSize="small" />],
  ['lines', TEXT.twoLines, <CloseIcon key="lines" fontSize="small" />],
  ['box', TEXT.box, <CropSquareIcon key="box" fontSize="small" />],
  ['grid', TEXT.grid, <GridOnIcon key="grid" fontSize="small" />],
  ['circle', TEXT.circle, <PanoramaFishEyeIcon key="circle" fontSize="small" />],
  [
    'plumb',
    TEXT.plumbLine,
    <VerticalAlignCenterIcon key="plumb" fontSize="small" sx={{ transform: 'rotate(90deg)' }} />,
  ],
  ['level', TEXT.levelLine, <HorizontalRuleIcon key="level" fontSize="small" />],
  ['stroke', TEXT.freeStroke, <GestureIcon key="stroke" fontSize="small" />],
  ['text', TEXT.text, <TextFieldsIcon key="text" fontSize="small" />],
];
const NAME = Object.fromEntries(KINDS.map(([kind, name]) => [kind, name])) as Readonly<Record<DrawingKind, string>>;
const SPANS: readonly (readonly [Drawing['span'], string])[] = [
  ['frame', TEXT.thisFrame],
  ['phase', TEXT.phase],
  ['clip', TEXT.wholeClip],
];

/** A few shapes for talking about a picture; tied to frames and, where wanted, to a point of the body. */
export function DrawingTools({ derived }: { readonly derived: Derived }): ReactNode {
  const tool = useView((state) => state.tool);
  const drawing = useView((state) => state.drawing);
  const { drawings } = derived.session;
  return (
    <section className="card" style={{ padding: '8px 10px', display: 'grid', gap: 8 }}>
      <Typography variant="h3" component="h2">
        {TEXT.draw}
      </Typography>
      <ToggleButtonGroup
        exclusive
        size="small"
        aria-label={TEXT.whatToDraw}
        sx={{ '& .MuiToggleButton-root': { p: '5px', flex: 1 } }}
        value={tool === 'draw' ? drawing.kind : null}
        onChange={(_, kind: DrawingKind | null) =>
          setView(kind === null ? { tool: 'move' } : { tool: 'draw', drawing: { ...drawing, kind } })
        }
      >
        {KINDS.map(([kind, name, icon]) => (
          <ToggleButton key={kind} value={kind} aria-label={name} title={name}>
            {icon}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      {tool === 'draw' && (
        <div style={{ display: 'flex', gap: 8 }}>
          <TextField
            select
            size="small"
            label={TEXT.shownThrough}
            value={drawing.span}
            sx={{ flex: 1 }}
            onChange={(event) => setView({ drawing: { ...drawing, span: event.target.value as Drawing['span'] } })}
          >
            {SPANS.map(([span, name]) => (
              <MenuItem key={span} value={span}>
                {name}
              </MenuItem>
            ))}
          </TextField>
          <TextField
            select
            size="small"
            label={TEXT.movesWith}
            value={drawing.anchor ?? ''}
            sx={{ flex: 1 }}
            onChange={(event) =>
              setView({ drawing: { ...drawing, anchor: (event.target.value || null) as PointId | null } })
            }
          >
            <MenuItem value="">{TEXT.nothing}</MenuItem>
            {JOINT_POINTS.map((id) => (
              <MenuItem key={id} value={id}>
                {pointName(id)}
              </MenuItem>
            ))}
          </TextField>
        </div>
      )}
      {drawings.map((d) => (
        <DrawingRow key={d.id} drawing={d} derived={derived} />
      ))}
    </section>
  );
}

function DrawingRow({ drawing, derived }: { readonly drawing: Drawing; readonly derived: Derived }): ReactNode {
  const words = useCommittedText(drawing.text, (text) => changeDrawing(drawing.id, { text: text.slice(0, 200) }));
  const on = derived.clips.find((c) => c.trial.clip.id === drawing.clipId);
  // Beside the other role's first camera: that is what it is compared with.
  const others = on ? derived.panes.filter((c) => c.trial.clip.role !== on.trial.clip.role).slice(0, 1) : [];
  return (
    <div style={{ display: 'flex', gap: 6, alignItems: 'center' }}>
      <button
        type="button"
        className="row stamp"
        style={{ whiteSpace: 'nowrap' }}
        onClick={() => on && player.goTo(drawing.clipId, drawing.frame)}
      >
        {NAME[drawing.kind]}, {on ? clipName(on) : TEXT.clipRemoved} {drawing.frame + 1}
      </button>
      <TextField
        variant="standard"
        fullWidth
        placeholder={TEXT.words}
        slotProps={{ htmlInput: { 'aria-label': TEXT.wordsOfName(NAME[drawing.kind].toLowerCase()), maxLength: 200 } }}
        {...words}
      />
      {others.map((other) => (
        <IconButton
          key={other.trial.clip.id}
          size="small"
          aria-label={TEXT.layNameOnClipName(NAME[drawing.kind].toLowerCase(), clipName(other))}
          title={TEXT.layItOnClipName(clipName(other))}
          onClick={() => layOn(drawing, on!.trial, other.trial)}
        >
          <ContentCopyIcon fontSize="small" />
        </IconButton>
      ))}
      <IconButton
        size="small"
        aria-label={TEXT.removeName(NAME[drawing.kind].toLowerCase())}
        onClick={() => changeDrawing(drawing.id, null)}
      >
        <ClearIcon fontSize="small" />
      </IconButton>
    </div>
  );
}
