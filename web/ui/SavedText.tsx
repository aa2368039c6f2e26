import { Textarea, TextInput } from '@mantine/core';
import { FieldNews } from './FieldNews.tsx';
import classes from './SavedText.module.css';
import { useSavedField } from './useSavedField.ts';

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
  const field = useSavedField(value, String);
  const shared = {
    label,
    description: field.said ? <FieldNews said={field.said} /> : description,
    placeholder,
    maxLength,
    value: field.text,
    onFocus: field.onFocus,
    onBlur: field.onBlur,
    onChange: (event: { currentTarget: { value: string } }) => {
      const typed = event.currentTarget.value;
      field.type(typed);
      field.saving(typed);
      onSave(typed);
    },
  };
  return multiline ? (
    // By the style sheet: measured by script, each such field laid the whole page out anew.
    <Textarea {...shared} rows={2} classNames={{ input: classes.grows }} />
  ) : (
    <TextInput {...shared} type={type} />
  );
}
