import { scarfTimes, slotOf, type Member } from '../frame';
import type { CutListEntry } from '../cuts';
import { inMm, say } from '../sentence';
import { caution, note, type Remark, type Subject } from './remark';

const isScarfed = ({ ends, notches }: Member): boolean =>
  ends.some(({ name }) => name === 'scarf') || notches.some((notch) => notch.for === 'scarf');

/** Timbers joined end to end: how long the joint is, and what must stand under it. */
export const aboutScarfs = ({ job, framing: { members } }: Subject): Remark[] => {
  const times = scarfTimes(job);
  const first = (wanted: (member: Member) => boolean): Member | undefined =>
    members.find((member) => isScarfed(member) && wanted(member));
  const ridge = first(({ kind }) => kind === 'ridge');
  const over = first(({ kind }) => kind === 'roof-purlin');
  const other = first(({ kind }) => kind !== 'ridge' && kind !== 'roof-purlin');
  const keyed = first(({ notches }) => notches.some((notch) => notch.for === 'slot'));
  return [
    ...(keyed === undefined
      ? []
      : [
          note(
            'scarf-keyed',
            say`each scarf is keyed: a pair of folding hardwood wedges as long as the timber is thick and more, driven from both faces through a slot ${inMm(slotOf(job, keyed.stock))} long and as deep, until the abutments close; saw them flush`,
            keyed,
          ),
        ]),
    ...(other === undefined
      ? []
      : [
          caution(
            'scarf-support',
            say`these ‹purlins› are scarfed over a rafter, ${times} × their depth or ${inMm(times * other.stock.depth)} long: a post, a wall or a strut must stand under every joint, and what holds it together is for an engineer`,
            other,
          ),
        ]),
    ...(ridge === undefined
      ? []
      : [
          note(
            'scarf-ridge',
            say`this ridge is scarfed where a pair of rafters comes against it, ${times} × its depth or ${inMm(times * ridge.stock.depth)} long: prop it there until the rafters on both sides are up. A ridge that carries the roof wants a post under the joint`,
            ridge,
          ),
        ]),
    ...(over === undefined
      ? []
      : [
          note(
            'scarf-over',
            say`the ‹purlins› over the rafters are scarfed on a rafter, ${times} × their depth or ${inMm(times * over.stock.depth)} long: stagger the joints from row to row`,
            over,
          ),
        ]),
  ];
};

/** Lines of the list that no board of their timber is long enough for. */
export const pastLongest = (
  { framing: { members } }: Subject,
  lines: readonly CutListEntry[],
): Remark[] =>
  lines.flatMap(({ mark, length: { blank }, members: [id] }): Remark[] => {
    const member = members.find((one) => one.id === id);
    const longest = member?.stock.longest;
    return member === undefined || longest === undefined || blank <= longest
      ? []
      : [
          caution(
            'past-longest',
            say`${mark} wants a board of ${inMm(blank)}, longer than the ${inMm(longest)} that can be had`,
            member,
          ),
        ];
  });
