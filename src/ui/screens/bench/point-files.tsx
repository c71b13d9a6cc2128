import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState, type ReactNode } from 'react';
import type { Clip } from '../../../core/model/clip';
import { FileButton } from '../../components/file-button';
import { ratesInWords } from '../../components/format';
import { notify } from '../../../application/stores/notices';
import { pointFileOf, readPointsInto, SAVED_FORMATS } from '../../../application/tracks/point-files';
import { download } from '../../../application/files/download';
import { TEXT } from '../../../text/screens/bench/measure';

/** Points of one clip from a file and into a file. */
export function PointFiles({ clip, name }: { readonly clip: Clip; readonly name: string }): ReactNode {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const read = async (file: File): Promise<void> => {
    const result = await readPointsInto(clip, file);
    notify(result.ok ? 'info' : 'error', result.ok ? result.value : result.issue.message);
  };
  return (
    <div style={{ display: 'flex', gap: 8 }}>
      {clip.mediaId !== null && (
        <FileButton
          fieldName={TEXT.pointsOfNameFromFile(name)}
          accept=".csv,.json"
          onFiles={([file]) => void read(file)}
        >
          {TEXT.pointsOfNameFromFile(name)}
        </FileButton>
      )}
      <Button aria-haspopup="menu" onClick={(event) => setAnchor(event.currentTarget)}>
        {TEXT.savePointsAs}
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
                notify('info', TEXT.fileNameStatesCaptureRate(fileName, clip.captureRate, ratesInWords(clip)));
            }}
          >
            {format.name}
          </MenuItem>
        ))}
      </Menu>
    </div>
  );
}
