import Button, { type ButtonProps } from '@mui/material/Button';
import { useRef, type ReactNode } from 'react';

interface FileButtonProps extends Omit<ButtonProps, 'onClick'> {
  /** What the field for the files is called, where no label points to it. */
  readonly fieldName?: string;
  readonly fieldId?: string;
  readonly accept: string;
  readonly multiple?: boolean;
  /** At least one file; the same can be chosen again. */
  readonly onFiles: (files: readonly [File, ...File[]]) => void;
}

/** A button that asks for files. */
export function FileButton({
  fieldName,
  fieldId,
  accept,
  multiple = false,
  onFiles,
  ...button
}: FileButtonProps): ReactNode {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button {...button} onClick={() => input.current?.click()} />
      <input
        ref={input}
        id={fieldId}
        type="file"
        accept={accept}
        multiple={multiple}
        aria-label={fieldName}
        className="visually-hidden"
        tabIndex={-1}
        onChange={({ target }) => {
          const [first, ...others] = target.files ?? [];
          target.value = '';
          if (first) onFiles([first, ...others]);
        }}
      />
    </>
  );
}
