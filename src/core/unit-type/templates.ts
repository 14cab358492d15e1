import { type Draft, freeId, type Json } from './editType';
import { TYPE_LISTS, type TypeList } from './lists';

/** What a new entry of each list begins with: enough to be seen, the rest is asked for. */
const TEMPLATES: Readonly<Record<TypeList, { readonly [key: string]: Json }>> = {
  axes: { id: 'axis', name: 'Axis', origin: [0, 0], direction: [1, 0], cut: 'plus', from: 0, to: 200 },
  bodies: { id: 'body', name: 'Shaft' },
  positions: { id: 'part', name: 'Part', family: 'gear-teeth' },
  gears: { id: 'gear', position: '', teeth: 20, kind: 'spur', module: 2.5, faceWidth: 20 },
  meshes: { a: '', b: '' },
  bearings: { id: 'bearing', kind: 'ball', inner: '', outer: '', setup: 'fixed', positions: [] },
  couplings: { id: 'coupling', kind: 'sleeve', ties: ['', ''] },
  states: { gear: '1', engaged: [] },
  stacks: {
    id: 'stack',
    letter: 'A',
    position: '',
    sets: 'float',
    range: { min: 1, max: 3 },
    thicker: 'less float',
    sign: -1,
  },
  sets: { id: 'set', name: 'Set', positions: [] },
  checks: { id: 'check', title: 'Check', positions: [], howTo: '', unit: 'mm' },
  steps: { id: 'step', title: 'Step', positions: [] },
  weaknesses: { positions: [], words: '' },
  parts: { code: '', name: '', supplies: [] },
};

/** The draft with a new entry at the end of a list. */
export function added(draft: Draft, list: TypeList): Draft {
  const found = draft[list];
  const entries = Array.isArray(found) ? (found as readonly Json[]) : [];
  const template = TEMPLATES[list];
  const entry: Json =
    typeof template.id === 'string' ? { ...template, id: freeId(entries, template.id) } : template;
  return { ...draft, [list]: [...entries, entry] };
}

/** Where a fault's dotted path leads in the editor: to an entry of a list, or to the unit itself. */
export function placeOfFault(path: string): { readonly list: TypeList | 'unit'; readonly index: number } {
  const [first, second] = path.split('.');
  const list = TYPE_LISTS.find((each) => each === first);
  return list ? { list, index: Math.max(0, Number(second ?? 0) || 0) } : { list: 'unit', index: 0 };
}
