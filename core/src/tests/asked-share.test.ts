import { CELLS } from './asked';
import { FRAMED_OF_TWO } from './asked/framed-of-two';
import { shareFramed } from './asked/share';

const EACH = 2;

it('frames of each feature, and of each pair on one slope, no fewer than it has', () => {
  const { byCell, lines } = shareFramed(EACH, 100);
  process.stdout.write(`${lines.join('\n')}\n`);
  const wanted = (name: string): number => FRAMED_OF_TWO[name] ?? EACH;
  const risen = [...byCell].filter(([name, framed]) => framed > wanted(name));
  if (risen.length > 0) process.stdout.write(`more than recorded: ${JSON.stringify(risen)}\n`);
  expect([...byCell].filter(([name, framed]) => framed < wanted(name))).toEqual([]);
}, 240_000);

it('records nothing of what is not drawn', () => {
  const names = CELLS.map(({ name }) => name);
  expect(Object.keys(FRAMED_OF_TWO).filter((name) => !names.includes(name))).toEqual([]);
  expect(Object.values(FRAMED_OF_TWO).every((framed) => framed >= 0 && framed < EACH)).toBe(true);
});
