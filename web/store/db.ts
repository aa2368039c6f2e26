import Dexie, { type EntityTable } from 'dexie';
import { enablePatches, type Patch } from 'immer';
import type { Job } from '../../core/model/job.ts';
import type { Part } from '../../core/model/part.ts';
import { demoJobs, FIRST_JOB_ID } from '../../demo/jobs.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';

// Edits are stored as patches; every part of the store comes through here first.
enablePatches();

export interface JobRow {
  id: string;
  job: Job;
  updatedAt: string;
  /** 1 while in the bin, from which it can be taken back */
  deleted: 0 | 1;
}

/** One edit of a job, with what takes it back. The history is stored, so undo outlives a reload. */
export interface EditRow {
  seq: number;
  jobId: string;
  label: string;
  /** ids of the acts joined in it */
  ids: string[];
  /** edits of one field in quick succession join under one key */
  mergeKey: string;
  at: number;
  undone: 0 | 1;
  forward: Patch[];
  backward: Patch[];
}

export interface SettingRow {
  key: 'last-job';
  value: string;
}

/** Everything Vumble keeps, in this browser and nowhere else. One schema version a migration. */
export class VumbleDatabase extends Dexie {
  jobs!: EntityTable<JobRow, 'id'>;
  edits!: EntityTable<EditRow, 'seq'>;
  parts!: EntityTable<Part, 'id'>;
  settings!: EntityTable<SettingRow, 'key'>;

  constructor(name = 'vumble') {
    super(name);
    this.version(1).stores({
      jobs: 'id, deleted, updatedAt',
      edits: '++seq, [jobId+undone]',
      parts: 'id, kind',
      settings: 'key',
    });
    this.on('populate', (transaction) => {
      transaction.table<JobRow>('jobs').bulkAdd(demoJobs().map((job) => rowOf(job)));
      transaction.table<Part>('parts').bulkAdd([...DEMO_SHELF]);
      transaction.table<SettingRow>('settings').add({ key: 'last-job', value: FIRST_JOB_ID });
    });
  }
}

export function rowOf(job: Job, updatedAt: string = job.createdAt): JobRow {
  return { id: job.id, job, updatedAt, deleted: 0 };
}

export const db = new VumbleDatabase();
