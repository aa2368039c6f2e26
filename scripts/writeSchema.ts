/** Writes the published JSON Schema of the job file from the Zod schema that the app itself uses. */
import { writeFileSync } from 'node:fs';
import { z } from 'zod';
import { JOB_FILE_VERSION, JobFile } from '../core/formats/jobFile.ts';

const schema = { title: `Vumble job file, version ${JOB_FILE_VERSION}`, ...z.toJSONSchema(JobFile) };
writeFileSync(
  new URL('../docs/formats/vumble-job.schema.json', import.meta.url),
  `${JSON.stringify(schema, null, 2)}\n`,
);
