import { Branch } from './branch.ts';
import { type ControlState, OPEN_OHMS } from './netlist.ts';

export class ResistorBranch extends Branch {
  override get straight(): boolean {
    return true;
  }

  constructor(id: string, a: number, b: number, ohms: number) {
    super(id, a, b);
    this.siemens = 1 / ohms;
  }

  override setValue(ohms: number): void {
    this.siemens = 1 / ohms;
  }

  linearise(): void {}
}

export class BatteryBranch extends Branch {
  override get straight(): boolean {
    return true;
  }

  constructor(id: string, a: number, b: number, volts: number, ohms: number) {
    super(id, a, b);
    this.siemens = 1 / ohms;
    this.amps = -volts / ohms;
  }

  override setValue(volts: number): void {
    this.amps = -volts * this.siemens;
  }

  override get emf(): number {
    return -this.amps / this.siemens;
  }

  linearise(): void {}
}

export class SwitchBranch extends Branch {
  override get straight(): boolean {
    return true;
  }

  constructor(
    id: string,
    a: number,
    b: number,
    private readonly control: string,
    private readonly closedOhms: number,
  ) {
    super(id, a, b);
    this.siemens = 1 / OPEN_OHMS;
  }

  override setControls(controls: ControlState): void {
    this.siemens = 1 / (controls[this.control] ? this.closedOhms : OPEN_OHMS);
  }

  linearise(): void {}
}
