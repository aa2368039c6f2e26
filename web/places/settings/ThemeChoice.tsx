import { NativeSelect, useMantineColorScheme } from '@mantine/core';

/** Day, night, or as the system has it. */
export function ThemeChoice() {
  const { colorScheme, setColorScheme } = useMantineColorScheme();
  return (
    <NativeSelect
      label="Theme"
      value={colorScheme}
      data={[
        { value: 'auto', label: 'as the system has it' },
        { value: 'light', label: 'day' },
        { value: 'dark', label: 'night' },
      ]}
      onChange={(event) => setColorScheme(event.currentTarget.value as typeof colorScheme)}
    />
  );
}
