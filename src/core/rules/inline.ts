/** What stands in line with a circuit: switches, floats, plugs, relays, diodes. */

interface InlineKind {
  /** Loop resistance, ohm, and fixed drop, V: typical, where neither was measured nor stated. */
  readonly ohm: number;
  readonly dropV: number;
  /** It can open the circuit by hand or by itself. */
  readonly opens: boolean;
  readonly note: string;
}

export const INLINE_SOURCE = "typical contacts; the device's own sheet or a measured drop rules";

export const DEVICE_KINDS = [
  'switch',
  'lit switch',
  'momentary switch',
  'changeover switch',
  'battery switch',
  'float switch',
  'isolator',
  'plug',
  'relay',
  'hold-in contact',
  'interlock',
  'stop button',
  'diode',
  'shunt',
] as const;
export type DeviceKind = (typeof DEVICE_KINDS)[number];

/** what the loss of an in-line device depends on: its kind, and its resistance in milliohm where it is known. */
interface InlineLoss {
  readonly kind: DeviceKind;
  readonly mohm: number | null;
}

export const INLINE: Readonly<Record<DeviceKind, InlineKind>> = {
  switch: { ohm: 0.005, dropV: 0, opens: true, note: '' },
  'lit switch': { ohm: 0.005, dropV: 0, opens: true, note: 'its lamp needs a negative of its own' },
  'momentary switch': { ohm: 0.005, dropV: 0, opens: true, note: 'on while it is held' },
  'changeover switch': { ohm: 0.005, dropV: 0, opens: true, note: 'one of two, or off' },
  'battery switch': { ohm: 0.00015, dropV: 0, opens: true, note: '' },
  'float switch': { ohm: 0.01, dropV: 0, opens: true, note: 'joints above the highest water' },
  isolator: { ohm: 0.0002, dropV: 0, opens: true, note: '' },
  plug: { ohm: 0.003, dropV: 0, opens: true, note: 'polarised; the live half is the socket' },
  relay: { ohm: 0.001, dropV: 0, opens: true, note: 'its coil needs a circuit of its own' },
  'hold-in contact': { ohm: 0.01, dropV: 0, opens: true, note: 'keeps the coil in once it is in; drops it when the set stops' },
  interlock: { ohm: 0.01, dropV: 0, opens: true, note: 'open while a cover is off, a panel stands open or another source feeds' },
  'stop button': { ohm: 0.005, dropV: 0, opens: true, note: 'opens while it is pressed; latched it locks the start out' },
  diode: { ohm: 0, dropV: 0.7, opens: false, note: 'loses 0.7 V whatever the current' },
  shunt: { ohm: 0.0001, dropV: 0, opens: false, note: '' },
};

/** Loop resistance of an in-line device, ohm: measured or the maker's when given, else typical of its kind. */
export const deviceOhm = (device: InlineLoss): number => (device.mohm === null ? INLINE[device.kind].ohm : device.mohm / 1000);

/** Volts it loses whatever the current. */
export const deviceDropV = (device: InlineLoss): number => INLINE[device.kind].dropV;
