// Adds up what the unit and browser test runners reported. Plain JavaScript: it must run when installing failed.
import { existsSync, readFileSync } from 'node:fs';

const status = Number(process.argv[2] ?? 0);
const read = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null);
const unit = read('.vumble/unit.json');
const browser = read('.vumble/e2e.json');
const passed = (unit?.numPassedTests ?? 0) + (browser?.stats?.expected ?? 0);
let failed = (unit?.numFailedTests ?? 0) + (browser?.stats?.unexpected ?? 0);
// A step that is not a test (types, lint, size) also counts as a failure.
if (status !== 0 && failed === 0) failed = 1;
console.log(`${passed} passed, ${failed} failed`);
