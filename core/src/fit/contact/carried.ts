import { touches, type Contact } from './contacts';
import type { Body } from './placed';

/** Joins of less than this carry nothing. mm² */
const BEARS_MM2 = 50;

/** The bodies from which no path of bearings leads to what stands by itself. */
export const floating = <B extends Body>(
  bodies: readonly B[],
  stands: (body: B) => boolean,
  contacts: readonly Contact<B>[],
): B[] => {
  const next = new Map<B, B[]>();
  const join = (one: B, other: B): void => {
    const known = next.get(one);
    if (known === undefined) next.set(one, [other]);
    else known.push(other);
  };
  for (const contact of contacts) {
    if (!touches(contact) || contact.areaMm2 < BEARS_MM2) continue;
    join(contact.one, contact.other);
    join(contact.other, contact.one);
  }
  const carried = new Set(bodies.filter(stands));
  const reached = [...carried];
  for (let body = reached.pop(); body !== undefined; body = reached.pop()) {
    for (const other of next.get(body) ?? []) {
      if (carried.has(other)) continue;
      carried.add(other);
      reached.push(other);
    }
  }
  return bodies.filter((body) => !carried.has(body));
};
