import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { ReactNode } from 'react';
import type { Clip } from '../../../core/model/clip';
import {
  attemptResultSchema,
  RESULT_KINDS,
  resultKinds,
  resultText,
  type ResultKind,
} from '../../../core/model/conditions';
import { changeClip } from '../../../application/clips/clip-use-cases';
import { SetUpFacts } from '../../components/set-up-facts';
import { useCommittedText } from '../../components/use-committed-text';

/** What came of an attempt, and what of the set-up was otherwise than in its session. */
export function AttemptCard({ clip, name }: { readonly clip: Clip; readonly name: string }): ReactNode {
  const { result, setUp } = clip;
  const set = (kind: ResultKind | '', value: number): void =>
    changeClip(clip.id, { result: kind === '' ? null : { kind, value } });
  const text = useCommittedText(result ? String(result.value) : '', (typed) => {
    const read = attemptResultSchema.safeParse({ kind: result?.kind, value: Number(typed.replace(',', '.')) });
    if (read.success && typed.trim()) set(read.data.kind, read.data.value);
  });
  const unit = result ? RESULT_KINDS[result.kind].unit : '';
  return (
    <details className="attempt" open={result !== null || setUp.length > 0}>
      <summary>Result and set-up of this attempt{result ? `: ${resultText(result)}` : ''}</summary>
      <div className="fact">
        <TextField
          select
          size="small"
          label="Result"
          value={result?.kind ?? ''}
          onChange={({ target }) => set(target.value as ResultKind | '', result?.value ?? 0)}
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
          sx={{ width: 190 }}
        >
          <MenuItem value="">not written down</MenuItem>
          {resultKinds.map((kind) => (
            <MenuItem key={kind} value={kind}>
              {RESULT_KINDS[kind].name}
            </MenuItem>
          ))}
        </TextField>
        {result?.kind === 'success' && (
          <TextField
            select
            size="small"
            label="Did it succeed?"
            value={result.value > 0 ? 'yes' : 'no'}
            onChange={({ target }) => set('success', target.value === 'yes' ? 1 : 0)}
            sx={{ width: 150 }}
          >
            <MenuItem value="yes">Yes</MenuItem>
            <MenuItem value="no">No</MenuItem>
          </TextField>
        )}
        {result && result.kind !== 'success' && (
          <TextField size="small" label={unit ? `How much, ${unit}` : 'How much'} {...text} sx={{ width: 150 }} />
        )}
      </div>
      <SetUpFacts facts={setUp} of={name} onChange={(facts) => changeClip(clip.id, { setUp: facts })} />
    </details>
  );
}
