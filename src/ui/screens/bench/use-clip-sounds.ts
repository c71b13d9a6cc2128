import { useEffect } from 'react';
import { player } from '../../../application/bench/bench-player';
import { BenchSound } from '../../../application/clips/bench-sound';
import { keepSoundsOf, readSoundOf, soundOf, useSounds } from '../../../application/clips/clip-sounds';
import { activeOf, type Derived } from '../../../application/analysis/derived';
import { useTalk } from '../../../application/talk/talk-recorder';
import { useView } from '../../../application/stores/view-store';
import { useLatest } from '../../components/use-latest';

/** Reads the sound of the clips on the bench, and plays the chosen one's beside the pictures. */
export function useClipSounds(derived: Derived): void {
  const wanted = useView((state) => state.waves || state.sound);
  const latest = useLatest(derived);
  const read = derived.panes
    .map(({ trial: { clip } }) => `${clip.mediaId} ${clip.captureRate} ${clip.fileRate} ${clip.rateChanges.length}`)
    .join();
  useEffect(() => {
    const clips = latest.current.panes.map((c) => c.trial.clip);
    keepSoundsOf(clips);
    if (wanted) for (const clip of clips) void readSoundOf(clip);
  }, [read, wanted, latest]);
  useEffect(() => {
    const heard = new BenchSound();
    player.onClock = (clock) => {
      const { sound, speed, activeClip } = useView.getState();
      const on = activeOf(latest.current, activeClip);
      const wave = on && soundOf(useSounds.getState(), on.trial.clip)?.wave;
      const map = on && player.timeMap(on.trial.clip.id);
      // While somebody talks into the microphone it would be heard twice.
      if (!sound || !wave || !map || useTalk.getState().phase === 'recording') return heard.stop();
      heard.follow({ wave, time: map.map(clock), rate: speed * map.rateAt(clock) });
    };
    const stop = useView.subscribe(({ playing }) => {
      if (!playing) heard.stop();
    });
    return () => {
      player.onClock = () => undefined;
      stop();
      heard.close();
    };
  }, [latest]);
}
