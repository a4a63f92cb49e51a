/** What none of the checks here speaks of, for whoever reads their result. */
export const notChecked: readonly string[] = [
  'forces across webs: bearing, crippling, buckling under point loads and at supports',
  'connections, stiffeners and panel zones',
  'net sections at holes',
  'warping stresses of open sections in torsion',
  'fatigue',
  'fire',
];
