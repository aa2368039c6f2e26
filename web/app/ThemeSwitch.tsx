import { ActionIcon, useComputedColorScheme, useMantineColorScheme } from '@mantine/core';
import { IconMoon, IconSun } from '@tabler/icons-react';

/** Day for sunlight, night for the dark bay. Follows the system until it is pressed. */
export function ThemeSwitch() {
  const { setColorScheme } = useMantineColorScheme();
  const scheme = useComputedColorScheme('dark');
  const other = scheme === 'dark' ? 'light' : 'dark';
  return (
    <ActionIcon
      variant="subtle"
      size={44}
      aria-label={other === 'light' ? 'Day theme' : 'Night theme'}
      onClick={() => setColorScheme(other)}
    >
      {other === 'light' ? <IconSun size={20} stroke={1.7} /> : <IconMoon size={20} stroke={1.7} />}
    </ActionIcon>
  );
}
