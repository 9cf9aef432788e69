import { View } from 'react-native';
import { useOpenJob } from '../data/open-job';
import { Caution } from '../ui/caution';
import { LengthField, PitchField } from '../ui/fields';
import { writeLength } from '../ui/length-entry';
import { Figure, Small, Strong, Title, Words } from '../ui/text';
import { pitchText, resized, sizesOf, withBlock, withPitch } from './rectangle';

/** What was measured: the plates, whether they are square, the pitch. */
export const SiteForm = () => {
  const { job, edit } = useOpenJob();
  const [block] = job.blocks;
  if (block === undefined) return null;
  const [along, across] = sizesOf(block);
  const diagonal = Math.hypot(along, across);
  const size = (next: readonly [number, number]) =>
    edit((now) => withBlock(now, (one) => resized(one, next)));
  return (
    <View className="gap-5">
      <View>
        <Title>Plates</Title>
        <Small>Measured over the outside faces of the wall plates.</Small>
      </View>
      {block.outline.length === 4 ? (
        <>
          <LengthField
            label="Wall 1, along"
            path="blocks.0.outline"
            value={along}
            onValue={(mm) => size([mm, across])}
          />
          <LengthField
            label="Wall 2, across"
            path="blocks.0.outline.1"
            value={across}
            onValue={(mm) => size([along, mm])}
          />
          <View className="rounded border border-grain bg-sheet p-3">
            <Strong>Is it square?</Strong>
            <Words>Both diagonals should read</Words>
            <Figure className="text-3xl" testID="diagonal">
              {writeLength(diagonal, job.display)}
            </Figure>
            <Small>
              If they differ, pull the plates until they agree before cutting: this list is for
              square corners.
            </Small>
          </View>
        </>
      ) : (
        <Caution
          level="note"
          text={`This outline has ${block.outline.length} corners; only a rectangle can be changed here yet`}
        />
      )}
      <PitchField
        label="Pitch"
        path="blocks.0.sides.0.pitch"
        value={pitchText(block)}
        onValue={(pitch) => edit((now) => withPitch(now, pitch))}
        help="Rise over run (9/12), degrees (36.9°), or a ratio (1:1.33). The same on every side."
      />
    </View>
  );
};
