import { Modal } from '@mantine/core';
import { type ReactNode, useEffect, useState } from 'react';
import classes from './Dialog.module.css';
import { holdFocus } from './holdFocus.ts';

/**
 * A dialog. Scroll locking is off: it would inject a style element, which the content policy forbids, and
 * the page behind does not scroll anyway. The head is a plain box, since a second page banner would confuse
 * those who find their way by landmarks.
 */
export function Dialog({
  title,
  onClose,
  children,
}: {
  title: string;
  onClose(): void;
  children: ReactNode;
}) {
  // Who opened it has the focus again when it is gone: it is taken away whole, and nobody else would give it back.
  const [opener] = useState(() => document.activeElement);
  useEffect(
    () => () => {
      requestAnimationFrame(() => {
        if (!(opener instanceof HTMLElement) || !opener.isConnected || opener === document.body) holdFocus();
        else opener.focus();
      });
    },
    [opener],
  );
  return (
    <Modal.Root opened onClose={onClose} centered lockScroll={false}>
      <Modal.Overlay />
      <Modal.Content>
        <div className={classes.head}>
          <Modal.Title>{title}</Modal.Title>
          <Modal.CloseButton aria-label="Close" size={44} />
        </div>
        <Modal.Body>{children}</Modal.Body>
      </Modal.Content>
    </Modal.Root>
  );
}
