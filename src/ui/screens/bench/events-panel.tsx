import FlagOutlinedIcon from '@mui/icons-material/FlagOutlined';
import GraphicEqIcon from '@mui/icons-material/GraphicEq';
import ClearIcon from '@mui/icons-material/Clear';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import type { ReactNode } from 'react';
import { LEAST_SURE } from '../../../core/trial/key-events';
import { orderProblem } from '../../../core/events/order';
import { player } from '../../../application/bench/bench-player';
import type { BenchClip } from '../../../application/bench/bench-clips';
import type { Derived } from '../../../application/analysis/derived';
import { notify } from '../../../application/stores/notices';
import {
  confirmAllEvents,
  confirmEvent,
  markEvent,
  proposeEventsOf,
} from '../../../application/events/event-use-cases';
import { setView } from '../../../application/stores/view-store';
import { markOnSound, soundOf, useSounds } from '../../../application/clips/clip-sounds';
import { cameraText } from '../../../application/clips/camera-motion-use-cases';
import { clipName } from '../../components/clip-name';
import { ProposalsRun } from './proposals-run';
import { CarryOver, RepetitionsCard } from './repetitions-card';
import { RoleName } from '../../components/role-name';
import { TravelLines } from './travel-lines';
import { TEXT } from '../../../text/screens/bench/moments';

/** Moments of a clip that are proposed, of all its repetitions. */
function proposedIn({ session }: Derived, { trial: { clip } }: BenchClip): number {
  const all = [
    session.marks[clip.id] ?? {},
    ...(session.repetitions[clip.id]?.all.filter((_, i) => i !== session.repetitions[clip.id]!.chosen) ?? []),
  ];
  return all.flatMap((marks) => Object.values(marks)).filter((mark) => mark.proposed !== null).length;
}

const proposedText = (count: number, of: string): string =>
  count === 1 ? TEXT.oneMomentOfOfText(of) : TEXT.countMomentsOfOfText(count, of);

function guessesText(doubtful: number): string {
  if (doubtful === 0) return '';
  return doubtful === 1 ? TEXT.oneOfThemIsOnly : TEXT.doubtfulOfThemAreOnly(doubtful);
}

/** Why contacts are missing among the proposals. */
const cameraHint = ({ trial }: BenchClip): string =>
  cameraText(trial)?.takenOut === false && cameraText(trial)?.moves ? TEXT.itsCameraMovesContactsWith : '';

/** The movement's moments in both clips: mark, go to, take away. */
export function EventsPanel({ derived }: { readonly derived: Derived }): ReactNode {
  const { movement, athlete, reference } = derived;
  const sounds = useSounds();
  const cell = ({ trial, id: role }: BenchClip, eventId: string, name: string): ReactNode => {
    const { clip } = trial;
    const frame = trial.marks[eventId];
    const marked = frame !== undefined;
    const mark = (
      <Button
        size="small"
        title={marked ? TEXT.moveMarkToFrameShown : undefined}
        aria-label={TEXT.markNameInRole(name, role)}
        startIcon={<FlagOutlinedIcon />}
        onClick={() => {
          setView({ activeClip: clip.id });
          markEvent(clip.id, eventId, player.pendingFrame(clip.id));
        }}
      >
        {marked ? TEXT.move : TEXT.mark}
      </Button>
    );
    const onSound = soundOf(sounds, clip) && (
      <IconButton
        size="small"
        title={TEXT.setOnSoundThatStands}
        aria-label={TEXT.setNameInRoleOn(name, role)}
        onClick={() => {
          setView({ activeClip: clip.id });
          void markOnSound(clip, eventId);
        }}
      >
        <GraphicEqIcon fontSize="small" />
      </IconButton>
    );
    if (!marked)
      return (
        <>
          {mark}
          {onSound}
        </>
      );
    const proposed = derived.session.marks[clip.id]?.[eventId]?.proposed ?? null;
    return (
      <>
        <Button
          size="small"
          sx={{ minWidth: 40 }}
          aria-label={TEXT.goToNameInRole(name, role)}
          onClick={() => {
            setView({ activeClip: clip.id });
            player.goTo(clip.id, Math.round(frame));
          }}
        >
          {Math.round(frame) + 1}
        </Button>
        {proposed !== null && (
          <Button
            size="small"
            color={proposed < LEAST_SURE ? 'warning' : 'primary'}
            title={TEXT.proposedFromPointsGoThere}
            aria-label={TEXT.confirmNameInRole(name, role)}
            onClick={() => confirmEvent(clip.id, eventId)}
          >
            {proposed < LEAST_SURE ? TEXT.onlyGuessConfirm : TEXT.proposedSureConfirm(Math.round(100 * proposed))}
          </Button>
        )}
        {mark}
        {onSound}
        <IconButton
          size="small"
          title={TEXT.removeMark}
          aria-label={TEXT.unmarkNameInRole(name, role)}
          onClick={() => markEvent(clip.id, eventId, null)}
        >
          <ClearIcon fontSize="small" />
        </IconButton>
      </>
    );
  };
  const propose = (on: BenchClip): void => {
    const proposals = proposeEventsOf(movement, on.trial);
    const doubtful = proposals.filter((p) => p.confidence < LEAST_SURE).length;
    if (proposals.length === 0) notify('info', TEXT.pointsOfClipNameSuggest(clipName(on), cameraHint(on)));
    else notify('info', `${proposedText(proposals.length, clipName(on))}${guessesText(doubtful)}.${cameraHint(on)}`);
  };
  return (
    <>
      <TravelLines clips={derived.clips} />
      {derived.clips
        .flatMap((c) => (c.join ? [] : (orderProblem(movement, c.trial) ?? [])))
        .map((problem) => (
          <div key={problem} className="caution">
            {problem}
          </div>
        ))}
      <p style={{ margin: 0, fontSize: '.86rem' }}>{TEXT.stepToFrameThenPress}</p>
      <div style={{ display: 'flex', gap: 8, flexWrap: 'wrap' }}>
        {derived.panes
          .filter((c) => !c.join && !c.trial.clip.pictures)
          .map((on) => {
            const open = movement.moments.filter((m) => m.rule && on.trial.marks[m.id] === undefined).length;
            return (
              <Button key={on.id} variant="outlined" disabled={open === 0} onClick={() => propose(on)}>
                {TEXT.proposeMomentsOfClipName(clipName(on))}
              </Button>
            );
          })}
      </div>
      <ProposalsRun derived={derived} />
      <div style={{ display: 'flex', gap: 8, flexWrap: 'wrap' }}>
        {derived.panes
          .filter((c) => !c.join && proposedIn(derived, c) > 0)
          .map((on) => (
            <Button key={on.id} title={TEXT.forThoseThatYouHave} onClick={() => confirmAllEvents(on.trial.clip.id)}>
              {TEXT.confirmAllProposedInOf(proposedIn(derived, on), clipName(on))}
            </Button>
          ))}
      </div>
      {athlete && reference && <CarryOver derived={derived} />}
      <RepetitionsCard derived={derived} />
      {movement.moments.map((moment) => (
        <section key={moment.id} className="card" style={{ padding: '8px 10px' }}>
          <strong>
            <kbd>{moment.key}</kbd> {moment.name}
          </strong>
          <div style={{ fontSize: '.82rem', color: '#545c61' }}>{moment.hint}</div>
          <div style={{ display: 'flex', gap: 10, flexWrap: 'wrap' }}>
            {derived.panes
              .filter((c) => !c.join)
              .map((on) => (
                <span
                  key={on.id}
                  style={{ flex: '1 1 45%', display: 'flex', alignItems: 'center', whiteSpace: 'nowrap' }}
                >
                  <RoleName role={on.styleKey} name="" />
                  {cell(on, moment.id, moment.name.toLowerCase())}
                </span>
              ))}
          </div>
        </section>
      ))}
    </>
  );
}
