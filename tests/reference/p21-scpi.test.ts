/**
 * P21: IEEE 488.2 and SCPI-1999, from memory: `*IDN?` answers four fields; `SYSTem:ERRor?` answers `0,"No error"`; -100
 * command error, -102 syntax, -109 missing parameter, -113 undefined header, -222 data out of range.
 */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BenchVehicle } from '../../core/instruments/benchVehicle.ts';
import { multimeter } from '../../core/instruments/multimeter.ts';
import { LONGEST_LINE, nr3 } from '../../core/instruments/scpiSession.ts';
import { CONTROLS_OFF } from '../../core/simulation/controls.ts';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';

const vehicle = new BenchVehicle(
  demoJob('library-route-3'),
  DEMO_SHELF,
  { configuration: 'stock', controls: { ...CONTROLS_OFF, key: 'on', lights: true }, emfVolts: 12.6 },
  [],
  () => 0,
);
const meter = () => multimeter(vehicle, (value) => value);
/** What a line leaves in the error queue. */
function errorOf(line: string): string | null {
  const session = meter();
  session.line(line);
  return session.line('SYST:ERR?');
}

describe('the bench multimeter as IEEE 488.2 and SCPI-1999 have it', () => {
  it('says who it is in four fields', () => {
    expect(meter().line('*IDN?')?.split(',')).toHaveLength(4);
  });

  it.each([
    ['*IDN?', '0,"No error"'],
    ['MEASure:NOTHing?', '-113,"Undefined header"'],
    ['MEASU:VOLT?', '-113,"Undefined header"'],
    ['MEAS::VOLT?', '-102,"Syntax error"'],
    ['ROUT:PROB "lamp', '-102,"Syntax error"'],
    ['ROUT:PROB', '-109,"Missing parameter"'],
    ['SENS:DIST', '-109,"Missing parameter"'],
    ['SENS:DIST 0', '-222,"Data out of range"'],
    ['SENS:DIST 1e9', '-222,"Data out of range"'],
    ['SENS:DIST far', '-104,"Data type error"'],
    ['*IDN? 4', '-108,"Parameter not allowed"'],
    ['MEAS:VOLT?\u0007', '-101,"Invalid character"'],
    ['ROUT:PROB "no such place"', '-224,"Illegal parameter value"'],
    ['MEAS:VOLT?', '-109,"Missing parameter"'],
    [`*IDN?${' '.repeat(LONGEST_LINE)}`, '-223,"Too much data"'],
  ])('to %j leaves %s', (line, error) => expect(errorOf(line)).toBe(error));

  it('knows short and long form in any case, and nothing between', () => {
    const session = meter();
    session.line('ROUTe:PROBe "lamp:rear-left:main"');
    for (const form of [
      'MEAS:VOLT?',
      'measure:voltage:dc?',
      ':MEASure:SCALar:VOLTage?',
      'Meas:Scal:Volt:Dc?',
    ])
      expect(session.line(form), form).toMatch(/^[+-]\d\.\d{5}E[+-]\d\d$/);
    expect(session.line('MEASur:VOLT?')).toBeNull();
  });

  it('goes on from the branch of the message before, and answers several at once', () => {
    const session = meter();
    expect(session.line('ROUT:PROB "lamp:rear-left:main";PROB?;*OPC?')).toBe('"lamp:rear-left:main";1');
    expect(session.line('SYST:ERR?')).toBe('0,"No error"');
  });

  it('keeps errors in order, says when there were more than it can hold, and forgets them when told', () => {
    const session = meter();
    for (let at = 0; at < 30; at++) session.line('NO:SUCH?');
    const told = Array.from({ length: 17 }, () => session.line('SYST:ERR?'));
    expect(told[0]).toBe('-113,"Undefined header"');
    expect(told[15]).toBe('-350,"Queue overflow"');
    expect(told[16]).toBe('0,"No error"');
    session.line('NO:SUCH?');
    session.line('*CLS');
    expect(session.line('SYST:ERR?')).toBe('0,"No error"');
    session.line('NO:SUCH?');
    expect(Number(session.line('*ESR?')) & 32).toBe(32);
  });

  it('writes numbers as NR3, what is over range and what is none by their own figures', () => {
    expect(nr3(12.63)).toBe('+1.26300E+01');
    expect(nr3(-0.0042)).toBe('-4.20000E-03');
    expect(nr3(0)).toBe('+0.00000E+00');
    expect(nr3(Number.POSITIVE_INFINITY)).toBe('+9.90000E+37');
    expect(nr3(Number.NaN)).toBe('+9.91000E+37');
  });

  it('is stopped by no line there is', () => {
    const session = meter();
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string({ maxLength: 60 }),
          fc.string({ unit: fc.constantFrom(...'*:?;,"\'MEASVOLT 0.e-') }),
        ),
        (line) => {
          session.line(line);
          expect(session.line('*CLS;*IDN?')).toContain('Vumble');
        },
      ),
      { numRuns: 1500, seed: 21 },
    );
  });
});
