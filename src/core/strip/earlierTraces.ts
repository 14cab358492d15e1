/** What earlier repairers leave behind; each is a finding on the piece that shows it. */
export const EARLIER_TRACES = [
  'lock wire cut',
  'sealed bearing where an open one belongs',
  'pins sheared',
  'cheap pattern part',
  'another fastener than belongs',
  'sealant where none belongs',
  'punch or chisel marks',
  'put in the wrong way round',
  'weld or hand-filed',
] as const;
