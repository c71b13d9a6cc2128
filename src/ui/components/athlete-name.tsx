import Autocomplete, { createFilterOptions } from '@mui/material/Autocomplete';
import TextField from '@mui/material/TextField';
import { useState, type ReactNode } from 'react';
import type { Athlete } from '../../core/model/athlete';
import { LIMITS } from '../../core/model/limits';
import { performerKey, tidyName } from '../../core/model/performer';
import { allMembers, type SquadMember } from '../../application/season/squad';
import { PersonPicture } from './person-picture';
import { TEXT } from '../../text/components/common';

/** Who was chosen: somebody who is known, or another person whom only this name tells so far. */
export interface NamedAthlete {
  readonly name: string;
  readonly athleteId: string | undefined;
  readonly record: Athlete | null;
}

interface AthleteNameProps {
  readonly label: string;
  readonly name: string;
  readonly athleteId: string | undefined;
  readonly onChange: (named: NamedAthlete) => void;
  readonly onBlur?: () => void;
  readonly error?: string | undefined;
  readonly autoFocus?: boolean;
  readonly size?: 'small' | 'medium';
}

/** Stands for a person of a name that somebody else has already. */
const ANOTHER = 'another';
type Option = SquadMember | { readonly key: typeof ANOTHER; readonly name: string };
const isKnown = (option: Option): option is SquadMember => option.key !== ANOTHER;
const NOBODY: readonly SquadMember[] = [];
const filter = createFilterOptions<Option>({ limit: 30 });

const aboutOf = ({ record, sessions, asReference }: SquadMember): string =>
  [
    record?.squad,
    record?.birthYear == null ? null : TEXT.bornBirthYear(record.birthYear),
    record?.withdrawnOn == null ? null : TEXT.consentWithdrawn,
    sessions.length > 0 ? (sessions.length === 1 ? TEXT.oneSession : TEXT.countSessions(sessions.length)) : null,
    sessions.length === 0 && asReference.length > 0 ? TEXT.asReference : null,
  ]
    .filter(Boolean)
    .join(', ');

/** The name of a performer: who is known is offered, and another person of the same name can be told apart. */
export function AthleteName({
  label,
  name,
  athleteId,
  onChange,
  onBlur,
  error,
  autoFocus = false,
  size = 'medium',
}: AthleteNameProps): ReactNode {
  /** Of whom nobody has changed nothing need be told. */
  const [said, setSaid] = useState(false);
  const [known, setKnown] = useState<readonly SquadMember[] | null>(null);
  const members = known ?? NOBODY;
  /** Who is known is read once somebody is to be named: a page may have many of these. */
  const load = (): void => {
    if (known === null) void allMembers().then(setKnown);
  };
  const chosen = members.find((m) => m.key === performerKey({ name, athleteId })) ?? null;
  const namesakes = members.filter((m) => tidyName(m.name) === tidyName(name));
  const another: readonly Option[] = name.trim() !== '' && namesakes.length > 0 ? [{ key: ANOTHER, name }] : [];
  const choose = (option: Option | string | null): void => {
    if (option === null || typeof option === 'string') return;
    setSaid(true);
    if (!isKnown(option)) onChange({ name: option.name, athleteId: crypto.randomUUID(), record: null });
    else
      onChange({
        name: option.name,
        athleteId: option.key === performerKey({ name: option.name }) ? undefined : option.key,
        record: option.record,
      });
  };
  const hint =
    error ??
    (known !== null && athleteId !== undefined && !chosen
      ? TEXT.anotherPersonThanNameWho(name)
      : said && chosen && aboutOf(chosen) !== ''
        ? TEXT.knownHereAboutOf(aboutOf(chosen))
        : undefined);
  return (
    <Autocomplete<Option, false, true, true>
      freeSolo
      disableClearable
      fullWidth
      size={size}
      options={[...members, ...another]}
      filterOptions={(options, state) => [
        ...filter(options.filter(isKnown), state),
        ...options.filter((option) => !isKnown(option)),
      ]}
      getOptionLabel={(option) => (typeof option === 'string' ? option : option.name)}
      getOptionKey={(option) => (typeof option === 'string' ? option : option.key)}
      isOptionEqualToValue={(option, value) => typeof value !== 'string' && option.key === value.key}
      inputValue={name}
      // Nobody is marked in the list, so that Enter after a typed name goes on and does not choose.
      value={name}
      onInputChange={(_, text, reason) => {
        if (reason !== 'input') return;
        setSaid(true);
        onChange({ name: text, athleteId: undefined, record: recordOfName(members, text) });
      }}
      onChange={(_, option) => choose(option)}
      renderOption={({ key, ...props }, option) => (
        <li key={key} {...props}>
          {isKnown(option) ? (
            <span style={{ display: 'flex', gap: 8, alignItems: 'center' }}>
              <PersonPicture name={option.name} picture={option.picture} size={28} />
              <span>
                {option.name} <span className="note">{aboutOf(option)}</span>
              </span>
            </span>
          ) : (
            <span>{TEXT.anotherPersonCalledName(option.name)}</span>
          )}
        </li>
      )}
      renderInput={(params) => (
        <TextField
          {...params}
          label={label}
          autoFocus={autoFocus}
          onBlur={onBlur}
          onFocus={(event) => {
            load();
            event.target.select();
          }}
          error={error !== undefined}
          helperText={hint}
          slotProps={{
            ...params.slotProps,
            htmlInput: { ...params.slotProps.htmlInput, maxLength: LIMITS.name },
          }}
        />
      )}
    />
  );
}

/** The record of whom a typed name alone tells; null of a name that nobody or somebody else has. */
const recordOfName = (members: readonly SquadMember[], name: string): Athlete | null =>
  members.find(({ key }) => key === performerKey({ name }))?.record ?? null;
