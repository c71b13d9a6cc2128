import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useMemo, useState, type ReactNode } from 'react';
import { lostStretches } from '../../../core/detections/following';
import { isSameBox } from '../../../core/detections/person-box';
import type { Clip } from '../../../core/model/clip';
import { LIMITS } from '../../../core/model/limits';
import { bridgeFrames } from '../../../core/signal/dropouts';
import type { Derived } from '../../../application/analysis/derived';
import type { BenchClip } from '../../../application/bench/bench-clips';
import { player } from '../../../application/bench/bench-player';
import { addPersonOf } from '../../../application/clips/clip-use-cases';
import { useDocument } from '../../../application/stores/document-store';
import { notify } from '../../../application/stores/notices';
import { setView, useView } from '../../../application/stores/view-store';
import { followAgainFrom } from '../../../application/tracks/detection-use-cases';
import { ROW, SMALL } from './card-rows';
import { PartnerChoice } from './partner-choice';
import { tellDetected, useIsDetecting } from './detecting';
import { TEXT } from '../../../text/screens/bench/measure';

/** More of them are not worth a press each. */
const SHOWN = 4;

/** Frames on which the detectors lost whom they followed, and the way there. */
export function LostStretches({ on }: { readonly on: BenchClip }): ReactNode {
  const { clip, times } = on.trial;
  const kept = useDocument((state) => state.session?.detections[clip.id]);
  const lost = useMemo(() => (kept ? lostStretches(kept, bridgeFrames(times)) : []), [kept, times]);
  if (lost.length === 0 || clip.mediaId === null) return null;
  const go = (frame: number): void => {
    setView({ activeClip: clip.id });
    player.goTo(clip.id, frame);
  };
  return (
    <span className="note">
      {TEXT.nobodyIsSeenOnFrames}
      {lost.slice(0, SHOWN).map(({ from, to }) => (
        <Button
          key={from}
          size="small"
          aria-label={TEXT.goToFramesWithoutAnybody(from + 1, to + 1)}
          onClick={() => go(from)}
        >
          {from === to ? from + 1 : TEXT.fromTo(from + 1, to + 1)}
        </Button>
      ))}
      {lost.length > SHOWN && TEXT.andMore(lost.length - SHOWN)}
      <br />
      {TEXT.drawBoxWhereSeenAgain}
    </span>
  );
}

/** Of several people, or for one who is small in the picture: whose points are detected. */
export function FollowedPerson({
  derived,
  clip,
  name,
}: {
  readonly derived: Derived;
  readonly clip: Clip;
  readonly name: string;
}): ReactNode {
  const person = useView((state) => state.persons[clip.id]);
  const kept = useDocument((state) => state.session?.detections[clip.id]);
  const isBusy = useIsDetecting(clip);
  // From a box that was followed already nothing more comes.
  const isNew = person && kept && ![kept.person, ...kept.again].some((box) => box && isSameBox(box, person));
  const boxing = useView((state) => state.tool === 'person');
  const clear = (): void => {
    setView({
      persons: Object.fromEntries(Object.entries(useView.getState().persons).filter(([id]) => id !== clip.id)),
    });
  };
  return (
    <div style={{ ...ROW, ...SMALL }}>
      <Button variant={boxing ? 'contained' : 'text'} onClick={() => setView({ tool: boxing ? 'move' : 'person' })}>
        {boxing ? TEXT.drawBoxRoundName(name) : TEXT.severalPeopleChooseOne}
      </Button>
      {person && (
        <span>
          {TEXT.personInBoxOnFrame(person.frame + 1)}{' '}
          {isNew && (
            <Button
              title={TEXT.whatIsRightAlreadyStays}
              disabled={isBusy}
              onClick={() => void tellDetected(clip, followAgainFrom(clip, person))}
            >
              {TEXT.followAgainFromThere}
            </Button>
          )}
          <Button onClick={clear}>{TEXT.whoeverIsLargest}</Button>
        </span>
      )}
      {clip.mediaId !== null && <OtherPerson clip={clip} />}
      <PartnerChoice derived={derived} clip={clip} />
    </div>
  );
}

/** One more person of the same picture: a partner, a crew, an opponent; each has points and moments of its own. */
function OtherPerson({ clip }: { readonly clip: Clip }): ReactNode {
  const [name, setName] = useState<string | null>(null);
  if (name === null) return <Button onClick={() => setName('')}>{TEXT.anotherPersonInThisPicture}</Button>;
  return (
    <form
      style={ROW}
      onSubmit={(event) => {
        event.preventDefault();
        if (name.trim() === '') return;
        void addPersonOf(clip, name.trim()).then(() => setView({ tool: 'person' }));
        setName(null);
        notify('info', TEXT.nameHasPaneNowDraw(name.trim()));
      }}
    >
      <TextField
        size="small"
        autoFocus
        label={TEXT.nameOrSeat}
        value={name}
        onChange={(event) => setName(event.target.value)}
        slotProps={{ htmlInput: { maxLength: LIMITS.name } }}
      />
      <Button type="submit" disabled={name.trim() === ''}>
        {TEXT.add}
      </Button>
      <Button onClick={() => setName(null)}>{TEXT.leave}</Button>
    </form>
  );
}
