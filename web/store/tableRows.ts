import type { Patch } from 'immer';
import type { History } from '../../core/merge/history.ts';
import type { Evidence } from '../../core/model/evidence.ts';
import type { Job } from '../../core/model/job.ts';

export interface JobRow {
  id: string;
  job: Job;
  updatedAt: string;
  /** 1 while in the bin, from which it can be taken back */
  deleted: 0 | 1;
  /** goes up by one with every write: of two readings of a job the one with more is the newer; none yet is 0 */
  rev?: number;
  /** what it did with pieces of the shelf, written out for the index: stock is added up without reading whole jobs */
  held?: string[];
}

/** One edit of a job, with what takes it back. The history is stored, so undo outlives a reload. */
export interface EditRow {
  seq: number;
  jobId: string;
  label: string;
  /** edits of one field in quick succession, in one tab, join under one key */
  mergeKey: string;
  at: number;
  undone: 0 | 1;
  forward: Patch[];
  backward: Patch[];
  /** ids of what stands in the log with it, and of what without */
  told?: string[];
  ended?: string[];
  /** where it laid another copy of the job together with this one */
  merge?: MergedHistory;
}

/** What a merge made of a job's history and log, so that one undo takes all of it back. */
export interface MergedHistory {
  before: History | null;
  after: History;
  /** the log with it */
  log: Evidence[];
  /** ids of the records that came */
  arrived: string[];
}

/** How a job or a part came about, where it was ever handed on: `job ID`, `part ID`. */
export interface HistoryRow {
  id: `${'job' | 'part'} ${string}`;
  history: History;
}

/** An act on a job that is on its way into it: noted at once, struck out once it is stored. */
export interface NoteRow {
  /** the order in which all tabs noted theirs */
  seq: number;
  id: string;
  jobId: string;
  label: string;
  mergeKey: string;
  at: number;
  forward: Patch[];
  backward: Patch[];
  /** what it puts to the end of the log */
  told?: Evidence[];
}

/**
 * An act that is stored in its job, or set aside: put in the very transaction that does it, so that whoever finds its note
 * does not do it again.
 */
export interface StoredActRow {
  /** that of its note */
  id: string;
  /** ms since 1970 */
  at: number;
}

/** What a browser keeps beside its jobs, as JSON. */
export interface KeptRow {
  key: string;
  value: string;
}

/** A row that cannot be what it should: kept out of the way of the others, as it was found. */
export interface AsideRow {
  seq: number;
  at: string;
  /** what it was found in */
  table: 'jobs' | 'parts' | 'movements' | 'photos' | 'edits' | 'journal';
  key: string | number;
  row: unknown;
  /** what is wrong with it, in words */
  problem: string;
}

/** `demo` is there while the demo data still have to be put in, `at-once` while something has to move over to that database. */
export interface SettingRow {
  key: 'last-job' | 'last-stage' | 'demo' | 'at-once';
  value: string;
}

/** A photograph of a lamp or of the vehicle, as the browser's own image data. */
export interface PhotoRow {
  id: string;
  jobId: string;
  /** null: of the vehicle */
  lampId: string | null;
  takenAt: string;
  name: string;
  image: Blob;
  /** 1 while in the bin, from which it can be taken back */
  deleted: 0 | 1;
}
