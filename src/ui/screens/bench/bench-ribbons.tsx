import type { ReactNode } from 'react';
import type { Role } from '../../../core/model/clip';
import { frameAtTime, nearestFrame, timeAtFrame } from '../../../core/timing/clip-time';
import { momentTimes, type Performance } from '../../../core/performance/performance';
import { Ribbons, type RibbonClip } from '../../../stage/ribbons';
import { player } from '../../../state/bench-player';
import type { Derived } from '../../../state/derived';
import { markMoment } from '../../../state/use-cases';
import { setView, useView } from '../../../state/view-store';
import { signedMilliseconds } from '../../components/format';

/**
 * Both clips on the athlete's time. The reference is laid on it through the current map: matched threads stand upright,
 * locked ones lean by what is early or late.
 */
export function BenchRibbons({ derived, currentMoment }: { readonly derived: Derived; readonly currentMoment: string | null }): ReactNode {
  const { athlete, reference, movement } = derived;
  const shown = useView((state) => state.shown);
  useView((state) => state.mode);
  useView((state) => state.lockMoment);
  const map = player.timeMap();
  const toAxis = (role: Role, time: number): number => (role === 'reference' && map ? map.inverse(time) : time);
  const fromAxis = (role: Role, at: number): number => (role === 'reference' && map ? map.map(at) : at);
  const ribbon = (role: Role, performance: Performance): RibbonClip => {
    const { times, clip } = performance;
    return {
      role,
      label: clip.performer.name.split(' ')[0]!.slice(0, 11),
      start: toAxis(role, 0),
      end: toAxis(role, times[times.length - 1]!),
      pins: movement.moments.flatMap((m) => {
        const frame = performance.marks[m.id];
        return frame === undefined ? [] : [{ moment: m.id, name: m.name, at: toAxis(role, timeAtFrame(times, frame)) }];
      }),
      playhead: toAxis(role, timeAtFrame(times, shown[clip.id] ?? 0)),
    };
  };
  const clips = [athlete && ribbon('athlete', athlete), reference && ribbon('reference', reference)].filter((c) => c !== null);
  if (clips.length === 0) return <div />;
  const threads = ((): { moment: string; text: string }[] => {
    if (!athlete || !reference) return [];
    const a = momentTimes(athlete);
    const r = momentTimes(reference);
    const common = movement.moments.map((m) => m.id).filter((id) => id in a && id in r);
    const zero = useView.getState().mode === 'locked' ? (useView.getState().lockMoment ?? common[0]) : common[0];
    if (zero === undefined || !common.includes(zero)) return [];
    return common.map((id) => ({
      moment: id,
      text: id === zero ? '' : signedMilliseconds(a[id]! - a[zero]! - (r[id]! - r[zero]!)),
    }));
  })();
  const performanceOf = (role: Role): Performance => derived[role]!;
  return (
    <Ribbons
      clips={clips}
      phases={movement.phases}
      threads={threads}
      currentMoment={currentMoment}
      onScrub={(role, at) => {
        setView({ activeRole: role });
        player.goTo(role, nearestFrame(performanceOf(role).times, fromAxis(role, at)));
      }}
      onPinMove={(role, moment, at) => {
        const { times, clip, marks } = performanceOf(role);
        const frame = Math.min(times.length - 1, Math.max(0, Math.round(frameAtTime(times, fromAxis(role, at)))));
        if (frame === marks[moment]) return;
        markMoment(clip.id, moment, frame);
        player.goTo(role, frame);
      }}
      onPinSelect={(role, moment) => {
        setView({ activeRole: role });
        player.goTo(role, Math.round(performanceOf(role).marks[moment]!));
      }}
    />
  );
}
