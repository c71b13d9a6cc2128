import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useMemo, useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { pathOf, type PathOptions } from '../../../core/comparison/paths';
import type { Movement } from '../../../core/model/movement';
import type { PointRef } from '../../../core/model/quantity';
import type { StyleKey } from '../../../core/model/slots';
import type { SeenFrom } from '../../../core/trial/trajectory';
import { PathChart } from '../../charts/path-chart';
import type { Derived } from '../../../application/analysis/derived';
import { goToFrames } from '../../components/go-to-frames';
import { refName } from '../movement/names';
import { TEXT } from '../../../text/screens/compare';

const POINTS: readonly (readonly [PointRef, string])[] = [
  ['dominant-wrist', TEXT.handDominantSide],
  ['opposite-wrist', TEXT.handOtherSide],
  ['mid-hip', TEXT.hips],
  ['mid-shoulder', TEXT.shoulders],
  ['nose', TEXT.head],
  ['dominant-ankle', TEXT.footDominantSide],
  ['opposite-ankle', TEXT.footOtherSide],
  ['centre-of-mass', TEXT.centreOfMass],
];

type Frame = readonly [id: string, name: string, from: Pick<SeenFrom, 'relativeTo' | 'line'>];

/**
 * What a way can be seen from: the body, the movement's own points, and the lines that its measures turn their axes
 * with.
 */
function framesOf(movement: Movement): readonly Frame[] {
  const name = (ref: PointRef): string => refName(ref, movement).toLowerCase();
  const turning = movement.measures.flatMap((m): Frame[] => {
    if (!('line' in m) || !m.line) return [];
    const from = m.relativeTo ?? m.line[0];
    return [
      [
        `line:${from}:${m.line.join(':')}`,
        TEXT.nameAxesAlongLineTo(name(from), name(m.line[1])),
        { relativeTo: from, line: m.line },
      ],
    ];
  });
  const points: readonly Frame[] = [
    ['mid-hip', TEXT.hipsWithin],
    ['mid-shoulder', TEXT.shouldersWithin],
    ...movement.points.map((p) => [p.id, p.name.toLowerCase()] as const),
  ].map(([id, called]) => [id!, called!, { relativeTo: id as PointRef, line: null }]);
  return [...points, ...turning.filter(([id], i) => turning.findIndex(([other]) => other === id) === i)];
}

/** Trajectories of a point laid over each other. */
export function PathsView({ derived }: { readonly derived: Derived }): ReactNode {
  const { movement, sides, session, clips } = derived;
  const navigate = useNavigate();
  const [point, setPoint] = useState<PointRef>('dominant-wrist');
  const first = movement.moments[0]!.id;
  const [from, setFrom] = useState<string>('mid-hip');
  const points = [...POINTS, ...movement.points.map((p) => [p.id, p.name] as const)];
  const frames = useMemo(() => framesOf(movement), [movement]);
  const paths = useMemo(() => {
    const options: PathOptions = {
      point,
      from: from.startsWith('at:') ? { moment: from.slice(3) } : (frames.find(([id]) => id === from) ?? frames[0]!)[2],
    };
    return (
      [
        ['athlete', sides.athlete],
        ['reference', sides.reference],
      ] as const
    ).flatMap(([role, side]) =>
      side.flatMap((views, k) => {
        const path = pathOf(movement, views[0]!, options);
        if (!path) return [];
        const styleKey: StyleKey = clips.find((c) => c.trial.clip.id === views[0]!.clip.id)?.styleKey ?? role;
        return [
          {
            path,
            drawn: {
              styleKey,
              name: views[0]!.clip.performer.name,
              x: path.x,
              y: path.y,
              faint: k > 0,
              moments: movement.moments.flatMap((m) =>
                path.moments[m.id] === undefined ? [] : [{ name: m.name, index: path.moments[m.id]! }],
              ),
            },
          },
        ];
      }),
    );
  }, [movement, sides, clips, point, from, frames]);
  return (
    <section className="card">
      <div className="row-of-fields">
        <TextField
          select
          size="small"
          label={TEXT.point}
          value={point}
          onChange={(event) => setPoint(event.target.value as PointRef)}
          sx={{ minWidth: 190 }}
        >
          {points.map(([id, name]) => (
            <MenuItem key={id} value={id}>
              {name}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          select
          size="small"
          label={TEXT.seenFrom}
          value={from}
          onChange={(event) => setFrom(event.target.value)}
          sx={{ minWidth: 230 }}
        >
          {frames.map(([id, name]) => (
            <MenuItem key={id} value={id}>
              {name}
            </MenuItem>
          ))}
          {movement.moments.map((m) => (
            <MenuItem key={m.id} value={`at:${m.id}`}>
              {TEXT.groundBothTogetherAtName(m.name.toLowerCase())}
            </MenuItem>
          ))}
        </TextField>
        <span className="note">
          {TEXT.fromNameOnInStanding(movement.moments.find((m) => m.id === first)!.name.toLowerCase())}
        </span>
      </div>
      <PathChart
        title={TEXT.findLaidOverEachOther(points.find(([id]) => id === point)![1])}
        paths={paths.map((p) => p.drawn)}
        height={430}
        onChoose={(k, i) =>
          goToFrames(navigate, session.id, { [paths[k]!.path.clipId]: paths[k]!.path.frames[i]! }, null)
        }
      />
    </section>
  );
}
