// Run by itself, before the app that stands on it; no more of it than the app uses.
export { Dexie } from 'dexie';
