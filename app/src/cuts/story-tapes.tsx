import type { CutList, RunningMarks } from '@ogee/core/src/cuts';
import { fromOtherEnd } from '@ogee/core/src/list';
import type { Job } from '@ogee/core/src/job';
import { useState } from 'react';
import { View } from 'react-native';
import { useDisplay, useJob } from '../data/open-job';
import { StoryTape } from '../draw/story-tape';
import { Choice } from '../ui/choice';
import { Fold } from '../ui/fold';
import { writeLength } from '../ui/length-entry';
import { Figure, Small } from '../ui/text';

const nameOf = ({ on, of, from }: RunningMarks, { blocks }: Job, cuts: CutList): string => {
  if (on === 'ridge') {
    const mark = cuts.members.find(({ members }) => members.includes(of))?.mark ?? of;
    return `${mark}, ${from.includes('left face') ? 'left' : 'right'} face`;
  }
  const cut = of.lastIndexOf('.');
  const wall = `wall ${Number(of.slice(cut + 1)) + 1}`;
  const whose = blocks.length === 1 ? wall : `${of.slice(0, cut)}, ${wall}`;
  return on === 'plate'
    ? `‹Plate›: ${whose}`
    : on === 'rafter'
      ? `Rafter: ${whose}`
      : `Sheet: ${whose}`;
};

/** How long what a tape lies along is: as given, or a little past its last mark. mm */
const reachOf = ({ length, at }: RunningMarks): number =>
  length ?? Math.max(...at.map(({ mm }) => mm)) + PAST_MM;
const PAST_MM = 300;

/** One tape: drawn to scale, and its figures, each read from the hook without moving the tape. */
const OneTape = ({ tape }: { readonly tape: RunningMarks }) => {
  const display = useDisplay();
  const [end, setEnd] = useState<'start' | 'end'>('start');
  const [to, setTo] = useState<'near' | 'centre'>('near');
  const twoEnds = tape.length !== undefined;
  const read = end === 'end' && twoEnds ? fromOtherEnd(tape) : tape;
  const shown = (mm: number): string => writeLength(mm, display);
  const figure = ({ mm, wide = 0 }: RunningMarks['at'][number]): number =>
    to === 'centre' ? mm + wide / 2 : mm;
  return (
    <View className="gap-3">
      <Small asked>
        {end === 'end' && twoEnds ? `From the other end than ${tape.from}.` : `From ${tape.from}.`}{' '}
        {twoEnds
          ? to === 'near'
            ? 'Hook once and never add in the head. The line is the near edge; the X goes past it.'
            : 'Hook once and never add in the head. The line is the middle; the X goes over it.'
          : 'Middles.'}
      </Small>
      {twoEnds && (
        <View className="gap-2">
          <Choice
            label="Hooked over"
            hideLabel
            value={end}
            options={[
              { value: 'start', label: 'The first end' },
              { value: 'end', label: 'The other end' },
            ]}
            onChange={setEnd}
          />
          <Choice
            label="Figures to"
            hideLabel
            value={to}
            options={[
              { value: 'near', label: 'Near edge' },
              { value: 'centre', label: '‹Centre›' },
            ]}
            onChange={setTo}
          />
        </View>
      )}
      <StoryTape
        tape={read}
        lengthMm={reachOf(tape)}
        display={display}
        to={to}
        words={`The tape to scale, with ${read.at.length} marks; the figures follow`}
      />
      <View role="list" aria-label="Marks" className="flex-row flex-wrap gap-x-6 gap-y-1">
        {read.at.map((one, i) => (
          <View key={i} role="listitem" className="w-[150px] flex-row items-baseline gap-2">
            <Figure className="w-[88px] text-right text-2xl">{shown(figure(one))}</Figure>
            <Figure className="text-lg text-soft">{one.mark}</Figure>
          </View>
        ))}
      </View>
    </View>
  );
};

/** What is marked on plates and ridges, up rafters and on sheets, before anything stands: one tape at a time. */
export const StoryTapes = ({ cuts }: { readonly cuts: CutList }) => {
  const job = useJob();
  const [open, setOpen] = useState(false);
  const [wanted, setWanted] = useState(0);
  const tapes = cuts.marks;
  const at = Math.min(wanted, tapes.length - 1);
  const tape = tapes[at];
  if (tape === undefined) return null;
  return (
    <Fold
      title="Story tapes"
      what="marks for ‹plates›, ridges, rafters and sheets, running from one end"
      open={open}
      onOpen={setOpen}
      testID="story-tapes"
    >
      {open && (
        <View className="gap-3 pb-4" testID="story-tape">
          <Choice
            label="Tape for"
            hideLabel
            value={String(at)}
            options={tapes.map((one, i) => ({ value: String(i), label: nameOf(one, job, cuts) }))}
            onChange={(next) => setWanted(Number(next))}
          />
          <OneTape key={`${tape.on} ${tape.of} ${tape.from}`} tape={tape} />
        </View>
      )}
    </Fold>
  );
};
