import { Button, NativeSelect } from '@mantine/core';
import { useState } from 'react';
import { instruments, troubleOf, useInstruments } from '../../job/instruments/instruments.ts';
import { chooseSerialPort, hasSerial } from '../../job/instruments/serialInstrument.ts';
import { Card } from '../../ui/Card.tsx';
import classes from './Bench.module.css';

const NOISES = [
  { value: '0', label: 'no noise' },
  { value: '0.005', label: 'half a percent of noise' },
  { value: '0.02', label: 'two percent of noise' },
];
const BAUD_RATES = ['9600', '19200', '57600', '115200'];

/** What is measured with: stand-ins of the server, a real meter on a serial port, or a hand that types. */
export function ConnectCard() {
  const { standIn, real, offered } = useInstruments();
  const [noise, setNoise] = useState('0.005');
  const [baud, setBaud] = useState('9600');
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const run = async (act: () => Promise<void>) => {
    setBusy(true);
    setTrouble(null);
    try {
      await act();
    } catch (error) {
      setTrouble(troubleOf(error));
    } finally {
      setBusy(false);
    }
  };
  const connected = real?.name ?? (standIn ? 'stand-ins, held to this vehicle as it is simulated' : null);
  return (
    <Card title="Instruments" aside={<span className="faint">{connected ?? 'readings are typed'}</span>}>
      {connected === null ? (
        <div className={classes.connect}>
          {offered ? (
            <div className={classes.row}>
              <NativeSelect
                aria-label="Noise of the stand-ins"
                data={NOISES}
                value={noise}
                onChange={(event) => setNoise(event.currentTarget.value)}
              />
              <Button loading={busy} onClick={() => run(() => instruments.connectStandIn(Number(noise)))}>
                Use the stand-ins
              </Button>
            </div>
          ) : (
            <p className="faint">
              {offered === null
                ? 'Looking for instruments.'
                : 'This server has no stand-in instruments (./start --instruments, on the same machine). Everything here can be typed.'}
            </p>
          )}
          {hasSerial() && (
            <div className={classes.row}>
              <NativeSelect
                aria-label="Baud rate"
                data={BAUD_RATES.map((each) => ({ value: each, label: `${each} baud` }))}
                value={baud}
                onChange={(event) => setBaud(event.currentTarget.value)}
              />
              <Button
                variant="default"
                loading={busy}
                onClick={() =>
                  run(async () => instruments.connectSerial(await chooseSerialPort(), Number(baud)))
                }
              >
                Connect a real meter
              </Button>
            </div>
          )}
        </div>
      ) : (
        <div className={classes.row}>
          <p className="faint">
            {standIn
              ? 'The driver’s panel beside it, its supply and what is fitted are what they measure. Readings of a stand-in are of a simulation: written down, they say so.'
              : 'It is asked what it reads and nothing else. Switch the real vehicle on and off by hand, and the panel beside it alike.'}
          </p>
          <Button variant="default" onClick={() => run(() => instruments.disconnect())}>
            Disconnect
          </Button>
        </div>
      )}
      {trouble && (
        <p role="alert" className={classes.trouble}>
          {trouble}
        </p>
      )}
    </Card>
  );
}
