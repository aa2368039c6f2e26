import { Notifications } from '@mantine/notifications';

/** Where notices appear. */
export default function Notices() {
  return <Notifications position="bottom-right" />;
}
