import { wrapDegrees } from '../../../core/geometry/angle';
import Slider from '@mui/material/Slider';
import Typography from '@mui/material/Typography';
import { useMemo, useRef, useState, type PointerEvent, type ReactNode } from 'react';
import { BONES, type BodyPoint } from '../../../core/anatomy/body-points';
import type { SpatialTrack } from '../../../core/tracks/marker-map';
import { seenFrom, sideAzimuth, type FigureCamera } from '../../../core/tracks/spatial-view';
import type { Track } from '../../../core/tracks/track';
import { TEXT } from '../../../text/screens/intake';

interface FigureFromAboveProps {
  readonly points: SpatialTrack;
  readonly camera: FigureCamera;
  readonly onChange: (camera: FigureCamera) => void;
}

const PLAN = 132;
const RING = 50;
const PREVIEW = { width: 220, height: 132 };

/** The bones of one frame, for a small picture. */
function Bones({ track, frame }: { readonly track: Track; readonly frame: number }): ReactNode {
  const at = (id: BodyPoint): { x: number; y: number } | null => {
    const series = track[id];
    return series && !Number.isNaN(series.x[frame]!) ? { x: series.x[frame]!, y: series.y[frame]! } : null;
  };
  return (
    <>
      {BONES.map(([a, b]) => {
        const [from, to] = [at(a), at(b)];
        return (
          from &&
          to && (
            <line
              key={`${a}${b}`}
              x1={from.x}
              y1={from.y}
              x2={to.x}
              y2={to.y}
              stroke="#f3efe6"
              strokeWidth={1.6}
              strokeLinecap="round"
            />
          )
        );
      })}
    </>
  );
}

/** From where points in space are seen: a plan from above whose camera is dragged, and what it sees. */
export function FigureFromAbove({ points, camera: kept, onChange }: FigureFromAboveProps): ReactNode {
  // While it is dragged only the drawing follows: one drag is one change.
  const [draft, setDraft] = useState<FigureCamera | null>(null);
  const camera = draft ?? kept;
  const commit = (next: FigureCamera): void => {
    setDraft(null);
    onChange(next);
  };
  const side = useMemo(() => sideAzimuth(points), [points]);
  const frames = Object.values(points)[0]?.x.length ?? 0;
  const seen = useMemo(() => seenFrom(points, camera, PREVIEW), [points, camera]);
  const plan = useRef<SVGSVGElement>(null);
  const dragging = useRef(false);
  const beside = wrapDegrees(camera.azimuthDegrees - side);
  // The performer goes to the right in the plan; a camera at the side stands below.
  const angle = ((90 - beside) * Math.PI) / 180;
  const at = { x: PLAN / 2 + RING * Math.cos(angle), y: PLAN / 2 + RING * Math.sin(angle) };
  const turned = (event: PointerEvent): FigureCamera => {
    const box = plan.current!.getBoundingClientRect();
    const degrees =
      (Math.atan2(event.clientY - box.top - box.height / 2, event.clientX - box.left - box.width / 2) * 180) / Math.PI;
    return { ...camera, azimuthDegrees: Math.round(wrapDegrees(90 - degrees + side)) };
  };
  return (
    <div style={{ display: 'flex', gap: 14, alignItems: 'center', flexWrap: 'wrap' }}>
      <svg
        ref={plan}
        width={PLAN}
        height={PLAN}
        role="img"
        aria-label={TEXT.planFromAboveCameraIs(Math.round(Math.abs(beside)))}
        style={{ touchAction: 'none', cursor: 'grab', background: '#ebe5d8', borderRadius: 6 }}
        onPointerDown={(event) => {
          dragging.current = true;
          event.currentTarget.setPointerCapture(event.pointerId);
          setDraft(turned(event));
        }}
        onPointerMove={(event) => {
          if (dragging.current) setDraft(turned(event));
        }}
        onPointerUp={(event) => {
          dragging.current = false;
          commit(turned(event));
        }}
      >
        <circle cx={PLAN / 2} cy={PLAN / 2} r={RING} fill="none" stroke="#b9b09d" strokeDasharray="3 4" />
        <line x1={PLAN / 2 - 26} y1={PLAN / 2} x2={PLAN / 2 + 26} y2={PLAN / 2} stroke="#545c61" strokeWidth={2} />
        <path d={`M ${PLAN / 2 + 32} ${PLAN / 2} l -10 -6 l 0 12 z`} fill="#545c61" />
        <path
          d={`M ${at.x} ${at.y} L ${PLAN / 2 + 14} ${PLAN / 2 - 14} L ${PLAN / 2 - 14} ${PLAN / 2 + 14} Z`}
          fill="#22464a"
          opacity={0.12}
        />
        <circle cx={at.x} cy={at.y} r={8} fill="#22464a" />
      </svg>
      <svg
        width={PREVIEW.width}
        height={PREVIEW.height}
        role="img"
        aria-label={TEXT.whatCameraSees}
        style={{ background: '#2a3238', borderRadius: 6 }}
      >
        {[0.1, 0.5, 0.9].map((u) => (
          <Bones key={u} track={seen.track} frame={Math.floor(u * (frames - 1))} />
        ))}
      </svg>
      <div style={{ flex: 1, minWidth: 200 }}>
        <Typography sx={{ fontSize: '.84rem' }} id="camera-round">
          {TEXT.cameraRoundPerformerBesideFrom(Math.round(beside))}
        </Typography>
        <Slider
          size="small"
          aria-labelledby="camera-round"
          min={-180}
          max={180}
          value={Math.round(beside)}
          onChange={(_, value) =>
            setDraft({ ...camera, azimuthDegrees: Math.round(wrapDegrees((value as number) + side)) })
          }
          onChangeCommitted={(_, value) =>
            commit({ ...camera, azimuthDegrees: Math.round(wrapDegrees((value as number) + side)) })
          }
        />
        <Typography sx={{ fontSize: '.84rem' }} id="camera-height">
          {TEXT.cameraAboveHorizonElevationDegrees(camera.elevationDegrees)}
        </Typography>
        <Slider
          size="small"
          aria-labelledby="camera-height"
          min={-10}
          max={90}
          value={camera.elevationDegrees}
          onChange={(_, value) => setDraft({ ...camera, elevationDegrees: value as number })}
          onChangeCommitted={(_, value) => commit({ ...camera, elevationDegrees: value as number })}
        />
      </div>
    </div>
  );
}
