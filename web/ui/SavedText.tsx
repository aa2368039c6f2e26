import { Textarea, TextInput } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';
import classes from './SavedText.module.css';

interface SavedTextProps {
  label: string;
  value: string;
  /** called with every change: what is typed is saved as it is typed */
  onSave(value: string): void;
  maxLength: number;
  multiline?: boolean;
  placeholder?: string;
  type?: 'text' | 'date';
  description?: string;
}

/**
 * A text field whose every keystroke is saved. It keeps its own text while it has the focus, so that the
 * echo of an older save never jumps over what was typed since, and a failed save loses nothing on screen.
 */
export function SavedText({
  label,
  value,
  onSave,
  maxLength,
  multiline,
  placeholder,
  type,
  description,
}: SavedTextProps) {
  const [text, setText] = useState(value);
  const focused = useRef(false);
  useEffect(() => {
    if (!focused.current) setText(value);
  }, [value]);
  const shared = {
    label,
    description,
    placeholder,
    maxLength,
    value: text,
    onFocus: () => {
      focused.current = true;
    },
    onBlur: () => {
      focused.current = false;
    },
    onChange: (event: { currentTarget: { value: string } }) => {
      setText(event.currentTarget.value);
      onSave(event.currentTarget.value);
    },
  };
  return multiline ? (
    // By the style sheet: measured by script, each such field laid the whole page out anew.
    <Textarea {...shared} rows={2} classNames={{ input: classes.grows }} />
  ) : (
    <TextInput {...shared} type={type} />
  );
}
