import ClearIcon from '@mui/icons-material/Clear';
import Autocomplete from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import TextField from '@mui/material/TextField';
import { useState, type ReactNode } from 'react';
import { setUpFactSchema, USUAL_FACTS, type SetUpFact } from '../../core/model/conditions';
import { useCommittedText } from './use-committed-text';
import { TEXT } from '../../text/components/common';

interface SetUpFactsProps {
  readonly facts: readonly SetUpFact[];
  /** Whose they are, for names of fields. */
  readonly of: string;
  readonly onChange: (facts: SetUpFact[]) => void;
}

/** Facts of a set-up: those that there are, and one more. */
export function SetUpFacts({ facts, of, onChange }: SetUpFactsProps): ReactNode {
  const [what, setWhat] = useState('');
  const [value, setValue] = useState('');
  const fact = setUpFactSchema.safeParse({ what, value });
  const twice = facts.some((other) => other.what.toLowerCase() === what.trim().toLowerCase());
  const add = (): void => {
    if (!fact.success || twice) return;
    onChange([...facts, fact.data]);
    setWhat('');
    setValue('');
  };
  return (
    <div className="facts" role="group" aria-label={TEXT.setUpOfText(of)}>
      {facts.map((each, i) => (
        <Fact
          key={each.what}
          fact={each}
          of={of}
          onChange={(text) => onChange(facts.map((other, k) => (k === i ? { ...other, value: text } : other)))}
          onRemove={() => onChange(facts.filter((_, k) => k !== i))}
        />
      ))}
      <div className="fact">
        <Autocomplete
          freeSolo
          size="small"
          options={USUAL_FACTS.filter((usual) => !facts.some((other) => other.what === usual))}
          inputValue={what}
          onInputChange={(_, text) => setWhat(text.slice(0, 40))}
          sx={{ width: 190 }}
          renderInput={(params) => (
            <TextField
              {...params}
              label={TEXT.what}
              error={twice}
              helperText={twice ? TEXT.itIsThereAlreadyChange : undefined}
            />
          )}
        />
        <TextField
          size="small"
          label={TEXT.howItWas}
          value={value}
          onChange={({ target }) => setValue(target.value.slice(0, 120))}
          onKeyDown={(event) => {
            if (event.key !== 'Enter') return;
            event.preventDefault();
            add();
          }}
          sx={{ flex: 1, minWidth: 120 }}
        />
        <Button variant="outlined" disabled={!fact.success || twice} onClick={add}>
          {TEXT.add}
        </Button>
      </div>
    </div>
  );
}

function Fact({
  fact,
  of,
  onChange,
  onRemove,
}: {
  readonly fact: SetUpFact;
  readonly of: string;
  readonly onChange: (value: string) => void;
  readonly onRemove: () => void;
}): ReactNode {
  const value = useCommittedText(fact.value, (text) => {
    if (text.trim()) onChange(text.trim().slice(0, 120));
  });
  return (
    <div className="fact">
      <TextField size="small" label={fact.what} {...value} sx={{ flex: 1 }} />
      <IconButton size="small" aria-label={TEXT.removeWhatOfText(fact.what, of)} onClick={onRemove}>
        <ClearIcon fontSize="small" />
      </IconButton>
    </div>
  );
}
