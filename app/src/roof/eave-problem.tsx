import {
  clearanceOf,
  eaveOfPart,
  withObstruction,
  withObstructionCleared,
  withOverhang,
  withSoffit,
  withWindowHead,
  type Gives,
  type Job,
} from '@ogee/core/src/job';
import type { EaveSection as Section } from '@ogee/core/src/drawing';
import { formatLength, lengthFormat } from '@ogee/core/src/units';
import { View } from 'react-native';
import { useHandling, useJob } from '../data/open-job';
import { useOfRoof } from '../data/roof';
import { EaveSection, type EaveFigure } from '../draw/eave-section';
import { oneOf, useAddressed } from '../nav/addressed';
import { Button } from '../ui/button';
import { Caution } from '../ui/caution';
import { ChoiceField, LengthField } from '../form/fields';
import { Choice } from '../ui/choice';
import { Figure, Small, Words } from '../ui/text';

/** What is worked out from the other two. */
type Third = 'soffit' | Gives;

const GIVEN: Readonly<Record<Third, readonly EaveFigure[]>> = {
  soffit: ['hap', 'overhang'],
  overhang: ['hap', 'soffit'],
  seat: ['overhang', 'soffit'],
};

/** What is asked to be cleared first: a bolt's head, 60 mm out and 40 mm down. mm */
const BOLT = { out: 60, below: 40 };

const Row = ({ name, figure }: { readonly name: string; readonly figure: string }) => (
  <View className="flex-row flex-wrap items-baseline justify-between gap-2 border-t border-grain py-1">
    <Words>{name}</Words>
    <Figure className="text-lg">{figure}</Figure>
  </View>
);

/** What the section comes to beside what is entered. */
const Comes = ({
  section,
  display,
}: {
  readonly section: Section;
  readonly display: Job['display'];
}) => {
  const text = (mm: number): string => formatLength(mm, lengthFormat(display));
  const level = (z: number): string => `${text(Math.abs(z))} ${z < 0 ? 'below' : 'above'}`;
  const { fasciaMm } = section;
  return (
    <View testID="eave-comes">
      <Small>Heights are from the ‹plate›’s top.</Small>
      <Row name="Bearing on the ‹plate›" figure={text(section.bearingMm)} />
      <Row
        name="Notch, of the rafter’s depth"
        figure={`${Math.round(section.share * 100)} %, ${text(section.leftMm)} left`}
      />
      {fasciaMm !== null && (
        <>
          <Row name="‹Fascia›’s top" figure={level(fasciaMm[0])} />
          <Row name="‹Fascia›’s bottom" figure={level(fasciaMm[1])} />
        </>
      )}
      {section.soffitMm !== null && (
        <Row name="Soffit, tail to wall" figure={text(section.overhangMm)} />
      )}
    </View>
  );
};

/** What a window's head starts from, under a plate. mm */
const HEAD_MM = 250;

/** A window under the eave, and what stands over its head. */
const WindowHead = ({ section }: { readonly section: Section | null }) => {
  const job = useJob();
  const { edit } = useHandling();
  const { windowHead } = job.framing;
  const text = (mm: number): string => formatLength(mm, lengthFormat(job.display));
  const lowest = section?.fasciaMm?.[1] ?? section?.soffitMm ?? null;
  const over = windowHead === undefined || lowest === null ? null : lowest + windowHead;
  return (
    <>
      <ChoiceField
        label="A window under the eave"
        value={windowHead === undefined ? 'none' : 'window'}
        options={[
          { value: 'none', label: 'None' },
          { value: 'window', label: 'Give its head' },
        ]}
        onChange={(way) => edit((now) => withWindowHead(now, way === 'none' ? null : HEAD_MM))}
      />
      {windowHead !== undefined && (
        <LengthField
          label="Window’s head, below the ‹plate›’s top"
          size="timber"
          path="framing.windowHead"
          value={windowHead}
          onValue={(mm) => edit((now) => withWindowHead(now, mm))}
        />
      )}
      {over !== null &&
        (over < 0 ? (
          <Caution
            level="caution"
            text={`The eave hangs ${text(-over)} below the window’s head: the sash, or the view, is cut off. Less overhang, a higher seat or a shallower fascia raises it.`}
          />
        ) : (
          <Small testID="over-window">
            The eave’s lowest edge stands {text(over)} above the window’s head.
          </Small>
        ))}
    </>
  );
};

/** Something outside the wall that the rafters have to pass over. */
const Obstruction = ({ index }: { readonly index: number }) => {
  const job = useJob();
  const { edit } = useHandling();
  const { obstruction } = job.framing;
  const clear = clearanceOf(job, index);
  const text = (mm: number): string => formatLength(mm, lengthFormat(job.display));
  return (
    <>
      <ChoiceField
        label="Something to clear outside the wall"
        value={obstruction === undefined ? 'none' : 'clear'}
        options={[
          { value: 'none', label: 'Nothing' },
          { value: 'clear', label: 'A bolt, a ledge' },
        ]}
        onChange={(way) => edit((now) => withObstruction(now, way === 'none' ? null : BOLT))}
      />
      {obstruction !== undefined && (
        <>
          <View className="flex-row gap-3">
            <View className="flex-1">
              <LengthField
                label="Out from the wall"
                of="What to clear"
                size="timber"
                path="framing.obstruction.out"
                value={obstruction.out}
                onValue={(out) => edit((now) => withObstruction(now, { ...obstruction, out }))}
              />
            </View>
            <View className="flex-1">
              <LengthField
                label="Top, below the ‹plate›’s"
                of="What to clear"
                size="timber"
                path="framing.obstruction.below"
                value={obstruction.below}
                onValue={(below) => edit((now) => withObstruction(now, { ...obstruction, below }))}
              />
            </View>
          </View>
          {clear === null ? (
            <Small>It stands further out than the tails reach.</Small>
          ) : clear < 0 ? (
            <>
              <Caution
                level="caution"
                text={`It stands ${text(-clear)} in the rafters, measured plumb.`}
              />
              <Button
                label="Set the rafters higher, to clear it"
                testID="clear-obstruction"
                onPress={() =>
                  edit(
                    (now) => withObstructionCleared(now, index),
                    'Rafters set higher, to clear what stands outside the wall',
                  )
                }
              />
            </>
          ) : (
            <Small>The rafters clear it by {text(clear)}, plumb.</Small>
          )}
        </>
      )}
    </>
  );
};

/** The eave of a part as one problem, in section: any two of seat, overhang and soffit give the third. */
export const EaveProblem = ({ index }: { readonly index: number }) => {
  const job = useJob();
  const { edit } = useHandling();
  const [third, setThird] = useAddressed<Third>(
    'third',
    'soffit',
    oneOf('soffit', 'overhang', 'seat'),
  );
  const block = job.blocks[index]?.id ?? '';
  const section =
    useOfRoof(['eave', block], (solver, roof) => solver.eave(roof, block))?.answer ?? null;
  const eave = eaveOfPart(job, index);
  if (eave === null) return null;
  const side = `blocks.${index}.sides.${eave.side}`;
  const given = GIVEN[third];
  const touch = (figure: EaveFigure): void => {
    if (typeof document === 'undefined') return;
    const id = { hap: 'framing.seat.hap', overhang: `${side}.overhang`, soffit: 'framing.soffit' }[
      figure
    ];
    document.querySelector<HTMLInputElement>(`[data-testid="field-eave.${id}"]`)?.focus();
  };
  return (
    <View className="gap-3">
      {section !== null && (
        <EaveSection section={section} display={job.display} given={given} onTouch={touch} />
      )}
      <Choice
        label="Worked out from the other two"
        value={third}
        options={[
          { value: 'soffit', label: 'The soffit' },
          { value: 'overhang', label: 'The overhang' },
          { value: 'seat', label: 'The seat' },
        ]}
        onChange={setThird}
        help="A deeper seat lowers everything outside the wall; a longer overhang drops the soffit. Two of the three settle the third."
      />
      {given.includes('hap') && (
        <LengthField
          label="‹Height above plate›"
          size="timber"
          path="eave.framing.seat.hap"
          refusedAt="framing.seat.hap"
          value={eave.hap}
          onValue={(hap) => edit((now) => ({ ...now, framing: { ...now.framing, seat: { hap } } }))}
        />
      )}
      {given.includes('overhang') && (
        <LengthField
          label="‹Overhang›"
          size="timber"
          path={`eave.${side}.overhang`}
          refusedAt={`${side}.overhang`}
          value={eave.overhang}
          onValue={(mm) => edit((now) => withOverhang(now, index, mm))}
        />
      )}
      {given.includes('soffit') && (
        <LengthField
          label="Soffit, below the ‹plate›’s top"
          size="timber"
          path="eave.framing.soffit"
          refusedAt={third === 'overhang' ? `${side}.overhang` : 'framing.seat.hap'}
          value={eave.soffit}
          onValue={(mm) =>
            edit((now) => withSoffit(now, index, mm, third === 'overhang' ? 'overhang' : 'seat'))
          }
          help="With a minus: above it."
        />
      )}
      {section !== null && <Comes section={section} display={job.display} />}
      <Obstruction index={index} />
      <WindowHead section={section} />
    </View>
  );
};
