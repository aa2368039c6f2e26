import { db } from '../store/db.ts';

// The page opens the store itself; what is made here it finds made, and this thread is needed no more.
db.open()
  .catch(() => {
    // The page meets the same trouble and says so.
  })
  .finally(() => {
    db.close();
    self.close();
  });
