import { Upload } from 'lucide-react';
import { useRef } from 'react';
import { Button } from './Button';

interface Props {
  readonly label: string;
  /** What the chooser of files is called, where that says more than the button. */
  readonly name?: string;
  /** Endings that the chooser shows, ".mid,.midi". */
  readonly accept: string;
  readonly multiple?: boolean;
  readonly onFiles: (files: File[]) => void;
}

/** A button that asks for files; the same file can be chosen twice in a row. */
export function FileButton({ label, name = label, accept, multiple = false, onFiles }: Props) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button icon={<Upload size={14} aria-hidden />} onClick={() => input.current?.click()}>
        {label}
      </Button>
      <input
        ref={input}
        type="file"
        multiple={multiple}
        accept={accept}
        className="sr-only"
        tabIndex={-1}
        aria-label={name}
        onChange={(e) => {
          const files = [...(e.target.files ?? [])];
          e.target.value = '';
          if (files.length) onFiles(files);
        }}
      />
    </>
  );
}
