import { Filament } from '../filament.ts';
import type { Branch } from './branch.ts';
import { CapacitorBranch } from './capacitorBranch.ts';
import { ConverterBranch, CurveBranch, DiodeBranch } from './curveBranches.ts';
import { FilamentBranch } from './filamentBranch.ts';
import { FuseBranch } from './fuseBranch.ts';
import { BatteryBranch, ResistorBranch, SwitchBranch } from './linearBranches.ts';
import { type Element, FUSE_HOLD } from './netlist.ts';
import { ThermalFlasherBranch } from './thermalFlasherBranch.ts';

/** The branch of a netlist element between two node indices. */
export function branchOf(element: Element, a: number, b: number): Branch {
  switch (element.kind) {
    case 'resistor':
      return new ResistorBranch(element.id, a, b, element.ohms);
    case 'capacitor':
      return new CapacitorBranch(element.id, a, b, element.farads, element.seriesOhms);
    case 'battery':
      return new BatteryBranch(element.id, a, b, element.volts, element.ohms);
    case 'diode':
      return new DiodeBranch(element.id, a, b, element);
    case 'regulator':
      return new CurveBranch(element.id, a, b, (volts) => {
        const share = Math.tanh(volts / element.kneeVolts);
        return {
          amps: element.amps * share,
          siemens: (element.amps / element.kneeVolts) * (1 - share * share) + 1e-9,
        };
      });
    case 'converter':
      return new ConverterBranch(element.id, a, b, element);
    case 'filament':
      return new FilamentBranch(element.id, a, b, new Filament(element.rating), element.duty ?? 1);
    case 'fuse':
      return new FuseBranch(element.id, a, b, element.ohms, element.ratedAmps * FUSE_HOLD);
    case 'switch':
      return new SwitchBranch(element.id, a, b, element.control, element.closedOhms);
    case 'thermal-flasher':
      return new ThermalFlasherBranch(element.id, a, b, element);
  }
}
