import { describe, expect, it } from 'vitest';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { QUILLON_75 } from '../../demo/vehicles/quillon75.ts';
import type { LedPart } from '../model/part.ts';
import type { Lamp } from '../model/vehicle/lamp.ts';
import { ledFit } from './ledFits.ts';

function led(id: string): LedPart {
  const part = DEMO_SHELF.find((each): each is LedPart => each.kind === 'led' && each.id === id);
  if (!part) throw new Error(id);
  return part;
}

function lamp(id: string): Lamp {
  const found = QUILLON_75.lamps.find((each) => each.id === id);
  if (!found) throw new Error(id);
  return found;
}

describe('ledFit', () => {
  it('takes an amber LED of the right base without a word', () => {
    expect(ledFit(QUILLON_75, lamp('rear-left'), led('led-tern-3a'))).toEqual({
      fits: true,
      obstacles: [],
      cautions: [],
      checks: [],
    });
  });

  it('names both bases when they differ', () => {
    const fit = ledFit(QUILLON_75, lamp('front-left'), led('led-tern-3a'));
    expect(fit.fits).toBe(false);
    expect(fit.obstacles.join()).toMatch(/base is BA15s; this lamp takes BAU15s/);
  });

  it('names both ranges when the volts differ', () => {
    const fit = ledFit(QUILLON_75, lamp('rear-left'), led('led-heron-24'));
    expect(fit.obstacles.join()).toMatch(/made for 20 to 32 V; this vehicle runs from 11\.8 to 14\.4 V/);
    const truck = { ...QUILLON_75, systemVolts: 24 as const };
    expect(ledFit(truck, lamp('rear-left'), led('led-heron-24')).fits).toBe(true);
    expect(ledFit(truck, lamp('rear-left'), led('led-tern-3a')).fits).toBe(false);
  });

  it('warns of white behind amber, and refuses white or red behind clear glass', () => {
    const pale = ledFit(QUILLON_75, lamp('rear-left'), led('led-gull-3w'));
    expect(pale.fits).toBe(true);
    expect(pale.cautions.join()).toContain('pale');
    const clear = { ...lamp('rear-left'), lens: 'clear' as const };
    expect(ledFit(QUILLON_75, clear, led('led-gull-3w')).obstacles.join()).toContain('must show amber');
    const red = { ...led('led-tern-3a'), colour: 'red' as const };
    expect(ledFit(QUILLON_75, lamp('rear-left'), red).fits).toBe(false);
  });

  it('tells how to turn a one-way LED where it can be turned, and to check first where it cannot', () => {
    expect(ledFit(QUILLON_75, lamp('repeater-left'), led('led-tern-06')).cautions.join()).toContain(
      'turn it half round',
    );
    expect(ledFit(QUILLON_75, lamp('rear-left'), led('led-plover-5')).cautions.join()).toContain(
      'cannot be turned',
    );
  });

  it('minds standard or CK on every twin wedge, glass ones in North America alone', () => {
    const clash = /wired standard or CK is not known/;
    const twin = (base: Lamp['base']): LedPart => ({
      ...led('led-godwit-3r'),
      bases: [base],
      twin: { topology: 'own-resistors', dimWatts: 0.5 },
    });
    const at = (base: Lamp['base'], region: 'UN' | 'US') => {
      const there = { ...lamp('stop-tail-left'), base };
      return ledFit({ ...QUILLON_75, region }, there, twin(base)).cautions.join(' ');
    };
    expect(at('W2.5x16q', 'UN')).toMatch(clash);
    expect(at('W3x16q', 'US')).toMatch(clash);
    expect(at('W3x16q', 'UN')).not.toMatch(clash);
    expect(at('BAY15d', 'US')).not.toMatch(clash);
    // Nobody has looked: a CK bulb is told neither to fit nor to clash.
    const there = { ...lamp('stop-tail-left'), base: 'W3x16q' as const };
    const unread = ledFit({ ...QUILLON_75, region: 'US' }, there, { ...twin('W3x16q'), socketWiring: 'ck' });
    expect(unread.cautions.join(' ')).toMatch(/Made for CK wiring. Whether this socket/);
    expect(unread.cautions.join(' ')).not.toMatch(/; this socket is wired/);
    const ck = { ...lamp('stop-tail-left'), base: 'W3x16q' as const, socketWiring: 'ck' as const };
    expect(ledFit(QUILLON_75, ck, twin('W3x16q')).cautions.join(' ')).toMatch(/short the parking feed/);
  });

  it('refuses a switchback whose park light is not that of a position lamp there', () => {
    const switchback = { parkColour: 'white' as const, parkWatts: 1, parkLumens: 100, holdSeconds: 1 };
    const part: LedPart = { ...led('led-godwit-3r'), switchback };
    const fit = ledFit(QUILLON_75, lamp('stop-tail-left'), part);
    expect(fit.obstacles.join(' ')).toMatch(/With the lights on it shows white; a position lamp at the rear/);
  });
});
