import { count, listed, type None, told } from './act.ts'

/** How the cast becomes what was wanted. */
export const FINISH_ACTS = {
  'ease-arrises': told('ease arrises', (f: { fins: boolean }) =>
    f.fins
      ? 'Take off fins, and ease what edges are sharp, with a block, respirator on.'
      : 'Ease sharp arrises with a block, respirator on.',
  ),
  'smooth-seam': told(
    'dress the seam',
    (f: { seams: number }) =>
      `Dress ${f.seams === 1 ? 'the seam' : 'the seams'} that the mould’s ${f.seams === 1 ? 'joint' : 'joints'} left, with a stone or a block, respirator on.`,
  ),
  'drill-openings': told(
    'drill openings',
    (f: { names: readonly string[]; bitsMm: readonly number[]; sawn: readonly string[] }, s) =>
      [
        f.names.length > 0
          ? `Drill ${listed(f.names)} with ${f.bitsMm.length === 1 ? 'a diamond core bit' : 'diamond core bits'}, ${listed(f.bitsMm.map(s.mm))} across, from the face that shows, a board clamped beneath.`
          : '',
        f.sawn.length > 0
          ? `Saw ${listed(f.sawn)} along a guide between holes drilled in ${f.sawn.length === 1 ? 'its' : 'their'} corners.`
          : '',
        'Wet, or the dust drawn off at the tool; respirator, ears and eyes covered.',
      ]
        .filter(Boolean)
        .join(' '),
  ),
  sand: told('sand', (f: { wet: boolean }) =>
    f.wet ? 'Sand wet, 220 then 400, from the edge inward.' : 'Sand lightly, 220, from the edge inward.',
  ),
  'fill-pores': told('fill pores', (_: None) => 'Work pore paste in, one round.'),
  'sand-paste': told('sand the paste', (_: None) => 'Sand the paste back.'),
  clean: told('clean', (_: None) => 'Vacuum and wipe; wash off any wax or oil.'),
  coat: told(
    'coat',
    (f: { sealer: string; number: number; coats: number }) =>
      `${f.sealer}, ${f.coats > 1 ? `coat ${f.number} of ${f.coats}${f.number > 1 ? ', across the last' : ''}` : count(1, 'coat')}.`,
  ),
  'coat-hardens': told('hardens', (_: None) => 'Leave it to harden before use.'),
}
