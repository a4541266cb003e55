/** Conditions a wire or its ends are found in, with the resistance a bad joint adds. */

export interface Condition {
  readonly id: string;
  readonly name: string;
  /** Loop resistance it adds, ohm/1000: typical, where none was measured; 0 for what is no joint. */
  readonly mohm: number;
  readonly severity: 'stop' | 'fix' | 'note';
  readonly why: string;
  readonly todo: string;
}

export const CONDITION_SOURCE = 'typical of what is measured on old joints; measure the drop across the joint to know';

const row = (id: string, name: string, mohm: number, severity: Condition['severity'], why: string, todo: string): Condition => ({
  id,
  name,
  mohm,
  severity,
  why,
  todo,
});

/** A sound joint is 0.03 milliohm; a corroded one 1 milliohm and more. */
export const CONDITIONS = [
  row(
    'green',
    'green copper',
    3,
    'fix',
    'Corrosion creeps up the strands: the joint heats and fails.',
    'Cut back to bright copper, or replace.',
  ),
  row('loose-strands', 'loose strands', 1, 'stop', 'A stray strand bridges to its neighbour: short and fire.', 'Cut and crimp anew.'),
  row(
    'failed-crimp',
    'failed crimp',
    5,
    'stop',
    'The conductor pulls out or heats in its barrel.',
    'Cut off and crimp with the matching die; pull test.',
  ),
  row(
    'strands-lost',
    'strands lost',
    0.2,
    'fix',
    'What is cut off carries nothing: the end runs hot where the conductor is thinnest.',
    'Cut back behind the damage and crimp anew with every strand in the barrel.',
  ),
  row(
    'wrong-barrel',
    'barrel of another size',
    2,
    'stop',
    'The strands fill neither the barrel nor the die: it works loose and heats.',
    'Cut off; a terminal of the conductor’s own size.',
  ),
  row(
    'one-crimp',
    'one crimp on a long barrel',
    0.5,
    'fix',
    'Half of the barrel holds nothing, and damp creeps in.',
    'A second crimp with the matching die, if the barrel is sound; pull test.',
  ),
  row(
    'no-sleeve',
    'sleeve missing or short',
    0,
    'fix',
    'Salt water wicks into the strands from the end.',
    'Adhesive shrink over barrel and jacket, 25 mm (1 in) each side.',
  ),
  row(
    'gap',
    'gap between jacket and barrel',
    0,
    'fix',
    'Bare strands work and corrode just where they bend.',
    'Cut back and strip to the depth of the barrel.',
  ),
  row(
    'liquid-coating',
    'sealed with liquid coating',
    0,
    'note',
    'It cracks as it ages, and hides what is under it.',
    'Look under it; adhesive shrink where it is made anew.',
  ),
  row(
    'unmarked-device',
    'device without rating marks',
    0,
    'fix',
    'Nobody can say what it opens at, or at how many volts.',
    'Replace it with one that is marked for DC and for its volts.',
  ),
  row(
    'clip-on',
    'lead held by a clip',
    5,
    'stop',
    'It falls off, sparks, and carries a fraction of what a stud does.',
    'A terminal on a stud or in a device.',
  ),
  row('twisted', 'twisted and taped', 4, 'fix', 'The tape lets go and damp gets in.', 'Replace with an adhesive butt splice.'),
  row('twist-cap', 'twist cap', 3, 'fix', 'It works loose under vibration.', 'Replace with an adhesive butt splice.'),
  row(
    'screw-block',
    'household screw block',
    2,
    'fix',
    'Its steel screws rust and cut the strands.',
    'Replace with a terminal block for boats, or a butt splice.',
  ),
  row('set-screw', 'set-screw lug', 2, 'fix', 'It lets go when the screw loosens.', 'Crimp a lug.'),
  row(
    'steel-washer',
    'steel washer in the current path',
    1.5,
    'fix',
    'Steel between palm and stud carries the current badly, heats and rusts.',
    'Palm straight on the conducting face; washers above it.',
  ),
  row('open-fork', 'open fork', 0.5, 'fix', 'It falls off when the screw loosens.', 'Crimp a ring.'),
  row(
    'soldered',
    'soldered joint',
    0.1,
    'note',
    'Solder stiffens and cracks under vibration and lets go when hot.',
    'Support it well, or crimp anew.',
  ),
  row(
    'crowded',
    'too many on one stud',
    0.5,
    'fix',
    'More than four terminals on a stud: the lower ones loosen.',
    'Spread them on a bus bar; largest lowest.',
  ),
  row(
    'chafed',
    'chafed insulation',
    0,
    'stop',
    'Bare copper finds the engine or its neighbour.',
    'Replace the run, and protect it where it chafes.',
  ),
  row(
    'unsupported',
    'held too far apart',
    0,
    'fix',
    'It works until its terminals break, and hangs into what moves.',
    'A tie or clamp every 450 mm (18 in) at the most.',
  ),
  row(
    'near-exhaust',
    'near the exhaust',
    0,
    'stop',
    'Its insulation melts: short and fire.',
    'Another way, or a shield and a hand’s breadth.',
  ),
  row(
    'near-moving',
    'near a belt, shaft or quadrant',
    0,
    'stop',
    'It is caught and torn off live.',
    'Another way, or a guard and clamps on both sides.',
  ),
  row('cracked', 'cracked or hard insulation', 0, 'fix', 'Old heat: it will flake off when it is moved.', 'Replace the run.'),
  row(
    'burnt',
    'browned or burnt',
    5,
    'stop',
    'It has been too hot: the cause is still there.',
    'Find the cause, replace the run and what it lands on.',
  ),
  row('colour', 'misleading colour', 0, 'note', 'The next person will trust the colour.', 'Sleeve and label both ends.'),
  row('unlabelled', 'no label', 0, 'note', 'Nobody will know it in the dark.', 'Label both ends.'),
  row('nowhere', 'leads nowhere', 0, 'fix', 'A loose end may be live.', 'Trace it; take it out, or insulate and label it.'),
] as const satisfies readonly Condition[];

export const conditionOf = (id: string): Condition | undefined => CONDITIONS.find((c) => c.id === id);
