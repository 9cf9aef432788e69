import 'fake-indexeddb/auto';
import { withBlock, withSide, withWing, type Job } from '@ogee/core/src/job';
import { openDevice } from '../device';
import { JobInHand } from '../job-in-hand';
import { openLogShelf } from '../log-shelf';
import { Outbox } from '../outbox';
import { job, named, server, stored, until } from './server-in-hand';

let count = 0;
let outbox: Outbox;
let stands: (job: Job) => boolean;
beforeEach(async () => {
  jest.restoreAllMocks();
  count += 1;
  stands = () => true;
  const [device, log] = [openDevice(`merge-${count}`), openLogShelf(`merge-${count}-log`)];
  outbox = new Outbox(device, log, (one) => Promise.resolve(stands(one)));
  await outbox.meet(stored(1, job('first')));
});
afterEach(() => outbox.dispose());

const open = async (): Promise<JobInHand> => new JobInHand('j', outbox, await outbox.state('j'));

const spacing = (mm: number) => (now: Job) => ({
  ...now,
  framing: { ...now.framing, spacing: mm },
});
const plate = (mm: number) => (now: Job) => withBlock(now, 0, (block) => ({ ...block, plate: mm }));
const overhang = (mm: number) => (now: Job) =>
  withSide(now, 0, 0, (side) => (side.roof === 'eave' ? { ...side, overhang: mm } : side));

describe('what two people enter at once', () => {
  it('that does not touch the same both stands, in one go and without a question', async () => {
    const there = server();
    const hand = await open();
    there.saveElsewhere(plate(250)(job('first')));
    hand.edit(spacing(450), 'Spacing');
    await until(() => hand.read().state === 'saved');
    expect(there.current()).toMatchObject({
      revision: 3,
      job: { framing: { spacing: 450 }, blocks: [{ plate: 250 }] },
    });
    await until(() => hand.read().job.blocks[0]!.plate === 250);
    hand.dispose();
  });

  it('of which several wait here is merged one by one, each over what came before it', async () => {
    const there = server();
    there.state.away = true;
    const hand = await open();
    for (const mm of [410, 420, 430]) hand.edit(spacing(mm), `Spacing ${mm}`);
    hand.edit(overhang(333), 'Overhang');
    await until(() => hand.read().state === 'away');
    there.saveElsewhere(plate(250)(job('theirs')));
    there.state.away = false;
    await outbox.send();
    expect(there.current()).toMatchObject({
      revision: 6,
      job: {
        name: 'theirs',
        framing: { spacing: 430 },
        blocks: [{ plate: 250, sides: [{ overhang: 333 }, {}, {}, {}] }],
      },
    });
    hand.dispose();
  });

  it('that is the same is one, and makes no revision of its own', async () => {
    const there = server();
    const hand = await open();
    there.saveElsewhere(spacing(450)(job('first')));
    hand.edit(spacing(450), 'Spacing');
    await until(() => hand.read().state === 'saved');
    expect(there.current().revision).toBe(2);
    hand.dispose();
  });

  it('that touches the same is asked, with both figures; either answer keeps all else', async () => {
    for (const [answer, wanted, revision] of [
      ['keepMine', 450, 4],
      ['takeTheirs', 500, 5],
    ] as const) {
      const there = server();
      await outbox.meet(stored(1, job('first')));
      const own = new Outbox(
        openDevice(`ask-${count}-${answer}`),
        openLogShelf(`ask-${count}-${answer}-log`),
      );
      await own.meet(stored(1, job('first')));
      const hand = new JobInHand('j', own, await own.state('j'));
      there.saveElsewhere(plate(250)(spacing(500)(job('first'))));
      hand.edit(spacing(450), 'Spacing');
      hand.edit(overhang(333), 'Overhang');
      await until(() => hand.read().stop !== null);
      expect(hand.read()).toMatchObject({
        state: 'stopped',
        stop: { why: 'conflict' },
        clashes: [{ path: ['framing', 'spacing'], mine: 450, theirs: 500 }],
      });
      await hand[answer]();
      await until(() => hand.read().state === 'saved');
      expect(there.current()).toMatchObject({
        revision,
        job: {
          framing: { spacing: wanted },
          blocks: [{ plate: 250, sides: [{ overhang: 333 }, {}, {}, {}] }],
        },
      });
      hand.dispose();
      own.dispose();
    }
  });

  it('that makes no roof together is asked, and goes whole one way or the other', async () => {
    const there = server();
    const hand = await open();
    stands = (one) => !(one.framing.spacing === 450 && one.blocks[0]!.plate === 250);
    there.saveElsewhere(plate(250)(job('first')));
    hand.edit(spacing(450), 'Spacing');
    await until(() => hand.read().stop !== null);
    expect(hand.read()).toMatchObject({ stop: { why: 'apart' }, clashes: [] });
    expect(there.current().revision).toBe(2);
    await hand.takeTheirs();
    await until(() => hand.read().state === 'saved');
    expect(there.current()).toMatchObject({ revision: 4, job: { blocks: [{ plate: 250 }] } });
    expect(there.current().job.framing.spacing).not.toBe(450);
    hand.dispose();
  });

  it('may each be a part of the same name: both stand, and later entries are of one’s own', async () => {
    const wing = (fromCorner: number) => (now: Job) =>
      withWing(now, 0, 0, { width: 2500, projection: 2000, fromCorner });
    const overhangOf = (now: Job, block: number): number => {
      const side = now.blocks[block]?.sides[1];
      return side?.roof === 'eave' ? side.overhang : NaN;
    };
    const there = server();
    there.state.away = true;
    const hand = await open();
    hand.edit(wing(500), 'A wing');
    hand.edit(
      (now) =>
        withSide(now, 1, 1, (side) => (side.roof === 'eave' ? { ...side, overhang: 77 } : side)),
      'Overhang',
    );
    await until(() => hand.read().state === 'away');
    there.saveElsewhere(wing(5500)(job('first')));
    const [theirs] = there.current().job.blocks.slice(1);
    there.state.away = false;
    await outbox.send();
    const { blocks } = there.current().job;
    expect(blocks.map(({ id }) => id)).toEqual(['main', 'wing', 'wing 2']);
    expect(blocks[1]).toEqual(theirs);
    expect(overhangOf(there.current().job, 2)).toBe(77);
    await until(() => hand.read().state === 'saved');
    expect(hand.read().job).toEqual(there.current().job);
    hand.dispose();
  });

  it('that points at what the other took away is asked', async () => {
    const winged = withWing(job('first'), 0, 0, {
      width: 4000,
      projection: 3000,
      fromCorner: 2000,
    });
    const there = server();
    const hand = await open();
    hand.edit(() => winged, 'A wing');
    await until(() => hand.read().state === 'saved');
    there.saveElsewhere(job('first'));
    hand.edit(
      (now) =>
        withSide(now, 1, 1, (side) => (side.roof === 'eave' ? { ...side, overhang: 77 } : side)),
      'Wing',
    );
    await until(() => hand.read().stop !== null);
    expect(hand.read().clashes).toMatchObject([{ path: ['blocks', 1], theirs: undefined }]);
    await hand.takeTheirs();
    await until(() => hand.read().state === 'saved');
    expect(there.current().job.blocks).toHaveLength(1);
    hand.dispose();
  });
});

describe('taking back', () => {
  it('takes back one’s own entry alone, whatever others did since', async () => {
    const there = server();
    const hand = await open();
    const before = hand.read().job.framing.spacing;
    hand.edit(spacing(450), 'Spacing');
    await until(() => hand.read().state === 'saved');
    await outbox.meet(there.saveElsewhere(plate(250)(there.current().job)));
    await until(() => hand.read().job.blocks[0]!.plate === 250);
    expect(hand.read().undo).toBe('Spacing');
    hand.undo();
    await until(() => hand.read().state === 'saved');
    expect(there.current().job).toMatchObject({
      framing: { spacing: before },
      blocks: [{ plate: 250 }],
    });
    hand.redo();
    await until(() => hand.read().state === 'saved');
    expect(there.current().job).toMatchObject({
      framing: { spacing: 450 },
      blocks: [{ plate: 250 }],
    });
    hand.dispose();
  });

  it('is not offered for what somebody else has changed since', async () => {
    const there = server();
    const hand = await open();
    hand.edit(named('mine'), 'Name');
    await until(() => hand.read().state === 'saved');
    await outbox.meet(there.saveElsewhere(named('theirs')(there.current().job)));
    await until(() => hand.read().job.name === 'theirs');
    expect(hand.read().undo).toBeNull();
    hand.dispose();
  });
});
