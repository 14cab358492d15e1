/** How each line of the proofs is proved: words for whoever does it, apart from the list that the counts need. */
export const PROOF_HOW: Readonly<Record<string, string>> = {
  'flush-case':
    'Washed, every passage blown through and looked through, a white cloth drawn after it. What comes out is debris: it belongs into the balance at Drain.',
  'flush-tubes': 'Chips lie at the tube’s far end and behind seals: a cloth on a rod, to the end and back.',
  'flush-adjusters':
    'Threads and the pocket behind each adjuster brushed out and washed, the adjuster run in and out by hand.',
  'flush-cooler': 'Flushed both ways until the catch cloth stays clean; what can’t be flushed is renewed.',
  'fit-trial':
    'Put together dry, torqued, turned, undone again, then with compound. A new part may need dressing: one that binds dry binds for ever.',
  'fit-transport': 'Plugs, straps, caps and oil paper off every new part.',
  'heat-bearings':
    'In an oven or on an induction heater, never by flame, no solvent on hot metal. The thermometer’s highest figure.',
  'heat-ring': 'In an oven, never by flame; bolts by hand at first, torqued when it is cold.',
  'hand-neutral': 'Input turned by hand, the output held: no drag that grows, no tick.',
  'hand-detents':
    'Each selected by hand: it snaps in, stays when shaken, and leaves with the same force both ways.',
  'hand-interlock':
    'One gear engaged, a second tried with force: it must be refused. Two at once lock the box on the road.',
  'hand-rings': 'In neutral each ring turns a little by hand on its gear; a feeler goes in all round.',
  'hand-pack':
    'The stated pressure through the port, listen and watch: it comes, holds, goes back, and nothing hisses.',
  'hand-bands': 'To the maker’s torque, back by his turns, the lock nut held while it is tightened.',
  'hand-needles':
    'The last one goes in snugly. Where another would fit, one is missing: find it before it is closed.',
  'hand-bush':
    'Depth under the face, the oil groove’s place on the clock, and the bore after pressing: pressing closes it.',
  'hand-seals': 'Lips greased, square in their seats, springs on; the breather blows through.',
  'oil-filled': 'As the plate or the maker says. A unit that leaves dry carries a tag that says so.',
  'test-run':
    'On the stand or on the road: under load, both ways, warm, then looked over for leaks. Guarded; nobody near what turns.',
};
