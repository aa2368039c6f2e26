/** Whether the browser would not store something for want of room. The store wraps the browser's own error in one of its own. */
export function isFull(error: Error & { inner?: { name?: string } }): boolean {
  return [error.name, error.inner?.name].includes('QuotaExceededError') || /quota/i.test(error.message);
}
