import { checkRows } from '../store/checkRows.ts';
import { forgetStored } from '../store/storedActs.ts';

// Named by whoever starts it: `broke` after a screen that did.
checkRows(self.name === 'broke')
  .then((found) => self.postMessage({ found }))
  .catch((error: Error) => self.postMessage({ found: 0, trouble: error.message }))
  .then(() => forgetStored())
  .catch(() => {
    // There is another start.
  })
  .finally(() => self.close());
