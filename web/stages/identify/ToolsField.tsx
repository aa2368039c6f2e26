import { TextInput } from '@mantine/core';
import { useState } from 'react';

/** Tools as words with commas between; saved as they are typed. */
export function ToolsField({ tools, save }: { tools: readonly string[]; save(tools: string[]): void }) {
  const [text, setText] = useState(tools.join(', '));
  return (
    <TextInput
      label="Tools"
      description="with commas between"
      value={text}
      maxLength={400}
      onChange={(event) => {
        const { value } = event.currentTarget;
        setText(value);
        save(
          value
            .split(',')
            .map((tool) => tool.trim().slice(0, 160))
            .filter(Boolean)
            .slice(0, 12),
        );
      }}
    />
  );
}
