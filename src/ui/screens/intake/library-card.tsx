import Autocomplete from '@mui/material/Autocomplete';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import type { ReactNode } from 'react';
import { libraryEntrySchema, type Clip, type LibraryEntry } from '../../../core/model/clip';
import { changeClip } from '../../../application/clips/clip-use-cases';
import { notify } from '../../../application/stores/notices';
import { useCommittedText } from '../../components/use-committed-text';
import { TEXT } from '../../../text/screens/intake';

/** Keeps a performance as a reference for any session, with what it is known by. */
export function LibraryCard({ clip, name }: { readonly clip: Clip; readonly name: string }): ReactNode {
  const { library } = clip;
  const put = (entry: LibraryEntry): void => {
    const read = libraryEntrySchema.safeParse(entry);
    if (read.success) changeClip(clip.id, { library: read.data });
    else notify('error', TEXT.thisCannotBeKeptLevel);
  };
  const level = useCommittedText(library?.level ?? '', (text) => library && put({ ...library, level: text }));
  return (
    <div className="library">
      <FormControlLabel
        label={TEXT.keepInReferenceLibrary}
        control={
          <Checkbox
            size="small"
            checked={library !== null}
            slotProps={{ input: { 'aria-label': TEXT.keepNameInReferenceLibrary(name) } }}
            onChange={({ target }) => changeClip(clip.id, { library: target.checked ? { level: '', tags: [] } : null })}
          />
        }
      />
      {library && (
        <div className="fact">
          <TextField
            size="small"
            label={TEXT.level}
            placeholder={TEXT.nationalUnder16}
            {...level}
            sx={{ width: 180 }}
          />
          <Autocomplete
            multiple
            freeSolo
            size="small"
            options={[] as string[]}
            value={library.tags}
            onChange={(_, tags) =>
              put({ ...library, tags: [...new Set(tags.map((tag) => tag.trim()))].filter(Boolean) })
            }
            renderInput={(params) => <TextField {...params} label={TEXT.tags} placeholder={TEXT.enterAfterEach} />}
            sx={{ flex: 1, minWidth: 200 }}
          />
        </div>
      )}
    </div>
  );
}
