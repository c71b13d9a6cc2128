import Button from '@mui/material/Button';
import { useId, useRef, useState, type ReactNode } from 'react';

interface DropZoneProps {
  readonly label: string;
  readonly reading: boolean;
  readonly onFiles: (files: readonly File[]) => void;
}

/** Where files are dropped or chosen. */
export function DropZone({ label, reading, onFiles }: DropZoneProps): ReactNode {
  const [over, setOver] = useState(false);
  const inputId = useId();
  const input = useRef<HTMLInputElement>(null);
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
        <Button variant="outlined" disabled={reading} onClick={() => input.current?.click()}>
          {reading ? 'Reading the file' : 'Choose a file'}
        </Button>
        <input
          ref={input}
          id={inputId}
          type="file"
          accept="video/*,image/*,.mkv,.mov,.c3d,.bvh,.trc,.csv,.json,.zip"
          multiple
          className="visually-hidden"
          tabIndex={-1}
          onChange={(event) => {
            onFiles([...(event.target.files ?? [])]);
            event.target.value = '';
          }}
        />
      </div>
    </div>
  );
}
