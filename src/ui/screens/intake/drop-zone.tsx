import { useId, useState, type ReactNode } from 'react';
import { FileButton } from '../../components/file-button';
import { TEXT } from '../../../text/screens/intake';

interface DropZoneProps {
  readonly label: string;
  readonly reading: boolean;
  readonly onFiles: (files: readonly File[]) => void;
}

/** Where files are dropped or chosen. */
export function DropZone({ label, reading, onFiles }: DropZoneProps): ReactNode {
  const [over, setOver] = useState(false);
  const inputId = useId();
  return (
    <div
      className={over ? 'drop over' : 'drop'}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setOver(false);
        onFiles([...event.dataTransfer.files]);
      }}
    >
      <label htmlFor={inputId}>{label}</label>
      <div style={{ marginTop: 8 }}>
        <FileButton
          variant="outlined"
          disabled={reading}
          fieldId={inputId}
          accept="video/*,image/*,.mkv,.mov,.c3d,.bvh,.trc,.csv,.json,.zip"
          multiple
          onFiles={onFiles}
        >
          {reading ? TEXT.readingFile : TEXT.chooseFile}
        </FileButton>
      </div>
    </div>
  );
}
