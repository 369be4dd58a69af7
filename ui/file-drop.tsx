'use client';

import { FileUpload } from '@chakra-ui/react';
import { FileUp } from 'lucide-react';
import { useId, useState } from 'react';

/** A file that is chosen, or dropped. What is in it is judged by who asked, with a sentence. */
export function FileDrop({
  label,
  accept,
  disabled = false,
  onFile,
}: {
  label: string;
  /** What the chooser offers first, as an input's `accept`. */
  accept: string;
  disabled?: boolean;
  onFile: (file: File) => void;
}) {
  const id = useId();
  // Taken anew after each file: the same one can be chosen again once it has been mended.
  const [taken, setTaken] = useState(0);
  return (
    <FileUpload.Root
      key={taken}
      maxFiles={1}
      disabled={disabled}
      ids={{ hiddenInput: id }}
      onFileAccept={({ files }) => {
        const file = files[0];
        if (!file) return;
        setTaken((n) => n + 1);
        onFile(file);
      }}
    >
      <FileUpload.Label htmlFor={id}>{label}</FileUpload.Label>
      <FileUpload.HiddenInput accept={accept} />
      <FileUpload.Dropzone aria-label="Choose a file, or drop it here">
        <FileUp size={18} aria-hidden="true" />
        <span>Choose a file, or drop it here</span>
      </FileUpload.Dropzone>
    </FileUpload.Root>
  );
}
