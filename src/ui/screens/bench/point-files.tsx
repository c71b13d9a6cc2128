import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useRef, useState, type ReactNode } from 'react';
import type { Clip } from '../../../core/model/clip';
import { ratesInWords } from '../../components/format';
import { notify } from '../../../state/notices';
import { pointFileOf, readPointsInto, SAVED_FORMATS } from '../../../state/point-files';
import { download } from '../../../state/download';

/** Points of one clip from a file and into a file. */
export function PointFiles({ clip, name }: { readonly clip: Clip; readonly name: string }): ReactNode {
  const input = useRef<HTMLInputElement>(null);
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const read = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    const result = await readPointsInto(clip, file);
    notify(result.ok ? 'info' : 'error', result.ok ? result.value : result.issue.message);
  };
  return (
    <div style={{ display: 'flex', gap: 8 }}>
      {clip.mediaId !== null && (
        <Button onClick={() => input.current?.click()}>Points of the {name} from a file</Button>
      )}
      <Button aria-haspopup="menu" onClick={(event) => setAnchor(event.currentTarget)}>
        Save points as
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        {SAVED_FORMATS.map((format) => (
          <MenuItem
            key={format.id}
            onClick={() => {
              setAnchor(null);
              const { fileName, bytes } = pointFileOf(clip, format.id);
              download(fileName, 'application/octet-stream', bytes);
              if (clip.rateChanges.length > 0)
                notify(
                  'info',
                  `“${fileName}” states ${clip.captureRate} frames per second throughout: the rate changes within this ` +
                    `clip (${ratesInWords(clip)}). Say so where you read it.`,
                );
            }}
          >
            {format.name}
          </MenuItem>
        ))}
      </Menu>
      <input
        ref={input}
        type="file"
        accept=".csv,.json"
        aria-label={`Points of the ${name} from a file`}
        className="visually-hidden"
        tabIndex={-1}
        onChange={(event) => {
          void read(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
    </div>
  );
}
