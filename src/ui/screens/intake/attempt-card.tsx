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
import { TEXT } from '../../../text/screens/intake';

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
      <summary>{result ? TEXT.resultAndSetUpOf(resultText(result)) : TEXT.resultAndSetUpOfThis}</summary>
      <div className="fact">
        <TextField
          select
          size="small"
          label={TEXT.result}
          value={result?.kind ?? ''}
          onChange={({ target }) => set(target.value as ResultKind | '', result?.value ?? 0)}
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
          sx={{ width: 190 }}
        >
          <MenuItem value="">{TEXT.notWrittenDown}</MenuItem>
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
            label={TEXT.didItSucceed}
            value={result.value > 0 ? 'yes' : 'no'}
            onChange={({ target }) => set('success', target.value === 'yes' ? 1 : 0)}
            sx={{ width: 150 }}
          >
            <MenuItem value="yes">{TEXT.yes}</MenuItem>
            <MenuItem value="no">{TEXT.no}</MenuItem>
          </TextField>
        )}
        {result && result.kind !== 'success' && (
          <TextField size="small" label={unit ? TEXT.howMuchUnit(unit) : TEXT.howMuch} {...text} sx={{ width: 150 }} />
        )}
      </div>
      <SetUpFacts facts={setUp} of={name} onChange={(facts) => changeClip(clip.id, { setUp: facts })} />
    </details>
  );
}
