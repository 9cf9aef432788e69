import {
  isRectangle,
  onePitch,
  onePitchAllOver,
  pitchText,
  resized,
  wallLengths,
  withBlock,
  withPitch,
  withPitchAllOver,
  standingOn,
  withCorners,
  withoutBlock,
  withStanding,
  type OnWall,
  type Standing,
} from '@ogee/core/src/job';
import { useRouter } from 'expo-router';
import Ruler from 'lucide-react-native/icons/ruler';
import { useState } from 'react';
import { View } from 'react-native';
import { useHandling, useJob, useProblems } from '../data/open-job';
import { countOf, oneOf, useAddressed } from '../nav/addressed';
import { Button } from '../ui/button';
import { Caution } from '../ui/caution';
import { LengthField, PitchField, StepperField } from '../form/fields';
import { Choice } from '../ui/choice';
import { Small, Title, Words } from '../ui/text';
import { AddPart } from './add-part';
import { BlockChoice } from './block-choice';
import { CornerList } from './corner-list';
import { AnglesFields, SidesFields } from './measured-fields';
import { fitsOn, OnWallFields, RUNS_PAST } from './on-wall-fields';
import { PlatesDrawing } from './plates-drawing';

type Way = 'rectangle' | 'sides' | 'angles';

const Rectangle = ({ index }: { readonly index: number }) => {
  const job = useJob();
  const { edit } = useHandling();
  const block = job.blocks[index];
  const size = (wall: 0 | 1, mm: number): void => {
    edit((now) => {
      const part = now.blocks[index];
      if (part === undefined) return now;
      const [along = 0, across = 0] = wallLengths(part);
      return resized(now, index, wall === 0 ? [mm, across] : [along, mm]);
    });
  };
  const sizeAlong = (mm: number): void => size(0, mm);
  const sizeAcross = (mm: number): void => size(1, mm);
  if (block === undefined) return null;
  const [along = 0, across = 0] = wallLengths(block);
  return (
    <>
      <LengthField
        label="Wall 1, along"
        path={`blocks.${index}.outline`}
        value={along}
        onValue={sizeAlong}
      />
      <LengthField
        label="Wall 2, across"
        path={`blocks.${index}.outline.1`}
        value={across}
        onValue={sizeAcross}
      />
    </>
  );
};

const OnItsWall = ({
  index,
  standing,
}: {
  readonly index: number;
  readonly standing: Standing;
}) => {
  const job = useJob();
  const { edit, hand } = useHandling();
  const { host, side, on } = standing;
  const block = job.blocks[host];
  // What does not fit on the wall is said here, and the building stays as it was.
  const [typed, setTyped] = useState<Partial<OnWall>>({});
  if (block === undefined) return null;
  const lengthMm = wallLengths(block)[side] ?? 0;
  const change = (next: Partial<OnWall>): void => {
    const wanted = { ...on, ...typed, ...next };
    const fits = fitsOn(wanted, lengthMm) && wanted.width > 0 && wanted.projection > 0;
    setTyped(fits ? {} : { ...typed, ...next });
    if (fits) edit((now) => withStanding(now, index, wanted));
    else hand.refuse(RUNS_PAST);
  };
  return (
    <>
      <Words>
        On wall {side + 1} of “{block.id}”
      </Words>
      <OnWallFields
        path={`blocks.${index}.outline`}
        on={{ ...on, ...typed }}
        wall={side + 1}
        onChange={change}
      />
    </>
  );
};

/** How many corners a part has; the rest of its plan starts anew as a regular one of that size. */
const Corners = ({ index }: { readonly index: number }) => {
  const job = useJob();
  const { edit } = useHandling();
  const corners = job.blocks[index]?.outline.length ?? 4;
  // What was measured goes with another number of corners: that is asked for, not touched by the way.
  const [asked, setAsked] = useState(false);
  if (!asked) return <Button label="Another number of corners" onPress={() => setAsked(true)} />;
  return (
    <StepperField
      label="Corners"
      path={`blocks.${index}.corners`}
      value={corners}
      step={1}
      min={3}
      max={12}
      unit=""
      onValue={(next) => edit((now) => withCorners(now, index, next))}
      help="Another number starts this part anew: a regular plan no larger than it was, every wall an eave. Then measure its walls."
    />
  );
};

/** Plates of one part: two numbers for a rectangle, or its walls with diagonals or angles as measured. */
const Plates = ({ index }: { readonly index: number }) => {
  const job = useJob();
  const block = job.blocks[index];
  const square = block !== undefined && isRectangle(block);
  // Each part's own: the house measured by its walls leaves a wing on its wall.
  const [chosen, setChosen] = useAddressed<Way | null>(
    index === 0 ? 'way' : `way-${index + 1}`,
    null,
    oneOf('rectangle', 'sides', 'angles'),
  );
  if (block === undefined) return null;
  const standing = standingOn(job, index);
  const four = block.outline.length === 4;
  const way = chosen ?? (square || standing !== null ? 'rectangle' : 'sides');
  const walls = four ? 'Four walls, diagonals' : 'Walls, diagonals';
  return (
    <>
      <Choice
        label="Measured as"
        value={four || way !== 'rectangle' ? way : 'sides'}
        options={[
          ...(four
            ? [
                {
                  value: 'rectangle' as const,
                  label: standing === null ? 'A rectangle' : 'On its wall',
                },
              ]
            : []),
          { value: 'sides', label: walls },
          { value: 'angles', label: 'Walls, angles' },
        ]}
        onChange={setChosen}
        help={
          !four
            ? 'Every wall and the diagonals from corner 1, or all walls but the last and the angles between them.'
            : standing === null
              ? 'Two numbers where the corners are square. Where they are not, four walls and a diagonal settle every corner; or three walls and two angles.'
              : 'Three numbers where it stands square on its wall; flush with the end of it, it goes on in line with the wall beside. Where it does not, four walls and a diagonal settle every corner.'
        }
      />
      {way === 'angles' ? (
        <AnglesFields index={index} block={block} />
      ) : way === 'sides' || !four ? (
        <SidesFields index={index} block={block} />
      ) : standing === null ? (
        <Rectangle index={index} />
      ) : (
        <OnItsWall index={index} standing={standing} />
      )}
    </>
  );
};

/** What was measured: the plates of every part, whether they are square, their height, the pitch. */
export const SiteForm = () => {
  const job = useJob();
  const { id, edit } = useHandling();
  const { problemAt } = useProblems();
  const router = useRouter();
  const [wanted, setWanted] = useAddressed('part', 0, countOf);
  const [partOnly, setPartOnly] = useState(false);
  const index = Math.min(wanted, job.blocks.length - 1);
  const block = job.blocks[index];
  // A wing is not left behind unsaid: where all parts have one pitch, it is asked whom a new one is for.
  const alike = job.blocks.length > 1 && onePitchAllOver(job);
  const whole = alike && !partOnly;
  const pitched = (pitch: string): void => {
    edit((now) => (whole ? withPitchAllOver(now, pitch) : withPitch(now, index, pitch)));
  };
  if (block === undefined) return null;
  const problem = problemAt(`blocks.${index}`);
  return (
    <View className="gap-5">
      <View>
        <Title>Plates</Title>
        <Small>Measured over the outside faces of the ‹plates›.</Small>
      </View>
      <Button
        label="Measure what stands"
        icon={Ruler}
        onPress={() => router.navigate(`/job/${id}/as-built`)}
        testID="to-as-built"
      />
      <BlockChoice index={index} onIndex={setWanted} />
      <PlatesDrawing index={index} />
      {problem !== undefined && <Caution level="caution" text={problem} />}
      <Plates key={`${index} ${block.outline.length}`} index={index} />
      <CornerList index={index} />
      {index === 0 && <Corners index={index} />}
      {index > 0 && (
        <LengthField
          label="‹Plate› height, against the main ‹plate›"
          path={`blocks.${index}.plate`}
          value={block.plate}
          onValue={(plate) => edit((now) => withBlock(now, index, (one) => ({ ...one, plate })))}
          help="0 where the ‹plates› are level; below the main ‹plate› it is less than 0."
        />
      )}
      {onePitch(block) ? (
        <>
          <PitchField
            label={whole ? 'Pitch of the whole roof' : 'Pitch'}
            path={`blocks.${index}.sides.0.pitch`}
            value={pitchText(block)}
            onValue={pitched}
            help="Rise over run (9/12), degrees (36.9°), or a ratio (1:1.33). Each eave can have its own under Roof."
          />
          {alike && (
            <Choice
              label="The pitch counts for"
              value={whole ? 'whole' : 'part'}
              options={[
                { value: 'whole', label: 'The whole roof' },
                { value: 'part', label: `“${block.id}” only` },
              ]}
              onChange={(way) => setPartOnly(way === 'part')}
            />
          )}
        </>
      ) : (
        <Caution
          level="note"
          text="the eaves of this part have different pitches; they are set wall by wall under Roof"
        />
      )}
      <View className="gap-3">
        <Title>Wings, bays and lean-tos</Title>
        <AddPart key={index} index={index} onAdded={setWanted} />
        {index > 0 && (
          <Button
            label={`Take “${block.id}” away`}
            onPress={() => {
              setWanted(0);
              edit((now) => withoutBlock(now, index), `“${block.id}” taken away`);
            }}
          />
        )}
      </View>
    </View>
  );
};
