import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, useState, type ReactNode } from 'react';
import type { Trial } from '../../../core/trial/trial';
import { bridgeFrames } from '../../../core/signal/dropouts';
import { JOINT_POINTS, pointName, type PointId } from '../../../core/anatomy/body-points';
import { residualAnalysis, type ResidualAnalysis } from '../../../core/signal/residual-analysis';
import { ResidualChart } from '../../charts/residual-chart';
import { activeOf, type Derived } from '../../../application/analysis/derived';
import { edit } from '../../../application/stores/document-store';
import { useView } from '../../../application/stores/view-store';
import { clipName } from '../../components/clip-name';
import { NUMBER_PAUSE, useCommittedText } from '../../components/use-committed-text';
import { TEXT } from '../../../text/screens/bench/measure';

const HIGHEST_CUTOFF = 100;
const cutoffOf = (text: string): number | null => {
  const value = Number(text.replace(',', '.'));
  return text.trim() !== '' && value >= 1 && value <= HIGHEST_CUTOFF ? value : null;
};

/** The cut-off frequency that each point's own noise suggests: the higher of its two coordinates'. */
function suggestions(trial: Trial): readonly { readonly id: PointId; readonly analysis: ResidualAnalysis }[] {
  return JOINT_POINTS.flatMap((id) => {
    const series = trial.raw[id];
    if (!series) return [];
    const both = [series.x, series.y]
      .map((samples) => residualAnalysis(trial.times, samples, bridgeFrames(trial.times)))
      .flatMap((r) => (r.ok ? [r.value] : []));
    return both.length === 0 ? [] : [{ id, analysis: both.reduce((high, a) => (a.cutoff > high.cutoff ? a : high)) }];
  });
}

/** The smoothing filter's cut-off frequency, and what the points of the chosen clip say about it. */
export function SmoothingCard({ derived }: { readonly derived: Derived }): ReactNode {
  const { cutoff } = derived.session;
  const typed = useCommittedText(
    String(cutoff),
    (text) => {
      const value = cutoffOf(text);
      if (value !== null && value !== cutoff)
        edit((s) => {
          s.cutoff = value;
        });
    },
    NUMBER_PAUSE,
  );
  const [asked, setAsked] = useState(false);
  const on = activeOf(
    derived,
    useView((state) => state.activeClip),
  );
  const wrong = cutoffOf(typed.value) === null;
  return (
    <section className="card" style={{ display: 'grid', gap: 8, padding: '10px 12px', fontSize: '.86rem' }}>
      <Typography variant="h3" component="h2">
        {TEXT.smoothing}
      </Typography>
      <div style={{ display: 'flex', gap: 8, alignItems: 'flex-start' }}>
        <TextField
          size="small"
          label={TEXT.cutOffFrequencyHz}
          {...typed}
          error={wrong}
          helperText={wrong ? TEXT.valueIsNotCutOff(typed.value, HIGHEST_CUTOFF) : TEXT.zeroLagButterworthFilterRaw}
          sx={{ flex: 1 }}
        />
        <Button variant="outlined" aria-expanded={asked} onClick={() => setAsked(!asked)}>
          {TEXT.residualAnalysis}
        </Button>
      </div>
      {asked && on && <Suggestion key={on.trial.clip.id} trial={on.trial} name={clipName(on)} used={cutoff} />}
    </section>
  );
}

function Suggestion({
  trial,
  name,
  used,
}: {
  readonly trial: Trial;
  readonly name: string;
  readonly used: number;
}): ReactNode {
  const found = useMemo(() => suggestions(trial), [trial]);
  const [chosen, setChosen] = useState<PointId | null>(null);
  if (found.length === 0) return <span>{TEXT.nameHasNoPointsYet(name)}</span>;
  const shown =
    found.find((f) => f.id === chosen) ??
    found.reduce((high, f) => (f.analysis.cutoff > high.analysis.cutoff ? f : high));
  const cutoffs = found.map((f) => f.analysis.cutoff).sort((a, b) => a - b);
  return (
    <>
      <span>
        {TEXT.byResidualAnalysisNameS(
          name,
          cutoffs[0]!.toFixed(0),
          cutoffs[cutoffs.length - 1]!.toFixed(0),
          cutoffs[cutoffs.length >> 1]!.toFixed(0),
        )}
      </span>
      <TextField
        select
        size="small"
        label={TEXT.point}
        value={shown.id}
        onChange={(event) => setChosen(event.target.value as PointId)}
      >
        {found.map(({ id, analysis }) => (
          <MenuItem key={id} value={id}>
            {TEXT.pointNameCutoffHz(pointName(id), analysis.cutoff.toFixed(1))}
          </MenuItem>
        ))}
      </TextField>
      <ResidualChart analysis={shown.analysis} used={used} />
    </>
  );
}
