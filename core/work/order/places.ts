import type { Opening } from '../../model/vehicle/opening.ts';
import type { Vehicle, VehicleKind } from '../../model/vehicle/vehicle.ts';
import type { OpenedWith } from '../access/openings.ts';

/** Length and width of a vehicle of each kind, m (typical): for how far one walks round it, nothing else. */
const SIZES: Record<VehicleKind, readonly [lengthM: number, widthM: number]> = {
  car: [4.4, 1.8],
  van: [6, 2],
  minibus: [6.2, 2],
  coach: [12, 2.5],
  lorry: [8, 2.5],
  trailer: [6, 2.2],
  moped: [1.8, 0.7],
  tractor: [4.5, 2.2],
};

/** Where somebody stands: how far along the way round the vehicle, and how far off that way, m. */
export interface Place {
  roundM: number;
  offM: number;
}

/** One stands so far from the sheet metal, m. */
const CLEARANCE = 0.5;
/** From the driver's door into the seat and out again is as good as so many metres each way (typical). */
const SEAT_OFF = 3;
/** Bench and tools stand so far from the vehicle, m (typical). */
const BENCH_OFF = 4;
/** Walking with tools in hand, m a minute (typical). */
const WALKING = 50;

/** The way round one vehicle, with the places along it. */
export class Grounds {
  private readonly lengthM: number;
  private readonly widthM: number;
  readonly seat: Place;
  readonly bench: Place;
  readonly nose: Place;

  constructor(private readonly vehicle: Vehicle) {
    const [length, width] = SIZES[vehicle.kind];
    this.lengthM = length + 2 * CLEARANCE;
    this.widthM = width + 2 * CLEARANCE;
    const driver = vehicle.facts?.traffic === 'left' ? 1 : 0;
    this.seat = { roundM: this.round(driver, vehicle.kind === 'trailer' ? 0 : 0.3), offM: SEAT_OFF };
    this.bench = { roundM: this.round(driver, 0.5), offM: BENCH_OFF };
    this.nose = { roundM: this.round(0.5, 0), offM: 0 };
  }

  /** Once round it, m. */
  get aroundM(): number {
    return 2 * (this.lengthM + this.widthM);
  }

  /** Where one stands to open something. */
  of({ opening, lamps }: Pick<OpenedWith, 'opening' | 'lamps'>): Place {
    const inside = lamps.some(({ end }) => end === 'inside' || end === 'dash');
    const at = opening.plan ?? lamps[0]?.plan;
    if (!at || (opening.of === 'flasher' && !opening.plan)) return this.seat;
    return {
      roundM: this.round(at.across, at.along),
      offM: inside || opening.of === 'flasher' ? SEAT_OFF : 0,
    };
  }

  /** Of something written down by itself. */
  ofOpening(opening: Opening): Place {
    return this.of({
      opening,
      lamps: this.vehicle.lamps.filter(({ access }) => access.group === opening.id),
    });
  }

  /** From one place to another on foot, the shorter way round, m. */
  metres(from: Place, to: Place): number {
    const apart = Math.abs(from.roundM - to.roundM);
    const round = Math.min(apart, this.aroundM - apart);
    return round === 0 && from.offM === to.offM ? 0 : round + from.offM + to.offM;
  }

  /** Minutes on foot from one place to another. */
  minutes(from: Place, to: Place): number {
    return this.metres(from, to) / WALKING;
  }

  /** How far along the way round a point of the plan lies, m, clockwise from the nose's left corner. */
  private round(across: number, along: number): number {
    const { lengthM, widthM } = this;
    // The nearest side of the outline is the one it is worked from.
    const sides = [along * lengthM, (1 - along) * lengthM, across * widthM, (1 - across) * widthM];
    const nearest = sides.indexOf(Math.min(...sides));
    if (nearest === 0) return across * widthM;
    if (nearest === 3) return widthM + along * lengthM;
    if (nearest === 1) return widthM + lengthM + (1 - across) * widthM;
    return 2 * widthM + lengthM + (1 - along) * lengthM;
  }
}
