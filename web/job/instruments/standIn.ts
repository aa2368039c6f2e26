import { jobFileOf } from '../../../core/formats/jobFile.ts';
import type { BenchPanel } from '../../../core/instruments/benchVehicle.ts';
import type { Job } from '../../../core/model/job.ts';
import type { Shelf } from '../../../core/model/part.ts';
import { type Instrument, InstrumentError } from './instrument.ts';

const ADDRESS = '/instruments';

/** Whether this server has stand-in instruments, and lets this machine ask them. */
export async function hasStandIns(): Promise<boolean> {
  try {
    const response = await fetch(`${ADDRESS}/`, { headers: { accept: 'application/json' } });
    return response.ok && ((await response.json()) as { instruments?: boolean }).instruments === true;
  } catch {
    return false;
  }
}

interface Standing {
  id: string;
  job: Job;
  shelf: Shelf;
  panel: BenchPanel;
  faults: readonly string[];
}

/** The stand-in instruments of the server, with the job at hand put before them; they follow it as it changes. */
export class StandIn {
  private standing: Standing | null = null;
  private following: Promise<void> = Promise.resolve();

  constructor(readonly noise: number) {}

  readonly meter: Instrument = this.instrument('Bench multimeter, stand-in', 'meter');
  readonly adapter: Instrument = this.instrument('Diagnostic adapter, stand-in', 'adapter');

  /** Puts the vehicle before the instruments as it stands now; one wish after the other. */
  follow(job: Job, shelf: Shelf, panel: BenchPanel, faults: readonly string[]): Promise<void> {
    this.following = this.following.then(
      () => this.goAlong(job, shelf, panel, faults),
      () => this.goAlong(job, shelf, panel, faults),
    );
    return this.following;
  }

  /** The flasher's clicks as a WAV file. */
  clicks(): Promise<File> {
    return this.recording('clicks.wav', 'relay-clicks.wav', 'audio/wav');
  }

  /** A film of a lamp, uncompressed. */
  film(lampId: string, framesPerSecond: number): Promise<File> {
    const asked = new URLSearchParams({ lamp: lampId, fps: String(framesPerSecond) });
    return this.recording(`lamp.y4m?${asked}`, `${lampId}.y4m`, '');
  }

  async close(): Promise<void> {
    const { standing } = this;
    this.standing = null;
    if (standing)
      await fetch(`${ADDRESS}/vehicles/${standing.id}`, { method: 'DELETE' }).catch(() => undefined);
  }

  private async goAlong(job: Job, shelf: Shelf, panel: BenchPanel, faults: readonly string[]): Promise<void> {
    const { standing } = this;
    // What was seen changes nothing of the vehicle: an observation that was just written down opens no other.
    const same =
      standing !== null &&
      standing.shelf === shelf &&
      standing.faults.join() === faults.join() &&
      standing.panel.configuration === panel.configuration &&
      standing.job.vehicle === job.vehicle &&
      standing.job.chosen === job.chosen &&
      standing.job.cures === job.cures &&
      standing.job.vehicleCures === job.vehicleCures &&
      standing.job.identified === job.identified;
    if (same) {
      if (JSON.stringify(standing.panel) === JSON.stringify(panel)) return;
      await sent(`${ADDRESS}/vehicles/${standing.id}/panel`, 'PUT', panel);
      this.standing = { ...standing, panel };
      return;
    }
    await this.close();
    const file = jobFileOf(job, shelf, new Date().toISOString());
    const response = await sent(`${ADDRESS}/vehicles`, 'POST', { ...panel, file, noise: this.noise, faults });
    const { id } = (await response.json()) as { id: string };
    this.standing = { id, job, shelf, panel, faults };
  }

  private get id(): string {
    if (!this.standing) throw new InstrumentError('The vehicle is not before the instruments yet.');
    return this.standing.id;
  }

  private instrument(name: string, path: 'meter' | 'adapter'): Instrument {
    return {
      name,
      ask: async (line) => {
        await this.following;
        const response = await answered(() =>
          fetch(`${ADDRESS}/vehicles/${this.id}/${path}`, {
            method: 'POST',
            headers: { 'content-type': 'text/plain' },
            body: line,
          }),
        );
        const text = await response.text();
        return text === '' ? null : text;
      },
      close: () => this.close(),
    };
  }

  private async recording(path: string, name: string, type: string): Promise<File> {
    await this.following;
    const response = await answered(() => fetch(`${ADDRESS}/vehicles/${this.id}/${path}`));
    return new File([await response.blob()], name, { type });
  }
}

function sent(address: string, method: 'POST' | 'PUT', body: unknown): Promise<Response> {
  return answered(() =>
    fetch(address, { method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
  );
}

/** @throws InstrumentError with what the server says, or that it is gone */
async function answered(ask: () => Promise<Response>): Promise<Response> {
  let response: Response;
  try {
    response = await ask();
  } catch {
    throw new InstrumentError(
      'The instrument server does not answer. Start it with ./start --instruments, or type the reading.',
    );
  }
  if (!response.ok) throw new InstrumentError((await response.text()).slice(0, 200));
  return response;
}
