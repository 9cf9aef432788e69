import { asBuiltPath, builtOutline, oneOff, sidesOff, SIZED } from '@ogee/core/src/as-built';
import { diagonals as across, ridgeHeight, type Block, type Job } from '@ogee/core/src/job';
import { kindName } from '@ogee/core/src/kinds';
import { View } from 'react-native';
import { Caution } from '../ui/caution';
import { Small, Title } from '../ui/text';
import { MeasuredField } from './measured-field';
import { tenth, type Display, type Taken, type Write } from './off';

interface PartProps {
  readonly block: Block;
  readonly taken: Taken;
  readonly display: Display;
  readonly toleranceMm: number;
  readonly write: Write;
}

/** Walls and diagonals; of four walls the other diagonal is a check on the tape. */
export const Sides = ({ block, taken, display, toleranceMm, write }: PartProps) => {
  const { walls, diagonals } = sidesOff(block, taken);
  const built = builtOutline(block, taken);
  const worked = built.ok ? across(built.outline)?.[1] : undefined;
  const check = worked === undefined ? null : oneOff(taken, asBuiltPath.check(block.id), worked);
  return (
    <View className="gap-3">
      <Title className="text-xl">Walls and diagonals</Title>
      {walls.map((off, i) => (
        <MeasuredField
          key={off.path}
          label={`Wall ${i + 1}`}
          off={off}
          display={display}
          toleranceMm={toleranceMm}
          onMeasured={write(off, `${block.id}, wall ${i + 1}`)}
        />
      ))}
      {diagonals.map((off, i) => (
        <MeasuredField
          key={off.path}
          label={`Diagonal, corner 1 to corner ${i + 3}`}
          off={off}
          display={display}
          toleranceMm={toleranceMm}
          onMeasured={write(off, `${block.id}, diagonal 1 to ${i + 3}`)}
        />
      ))}
      {check !== null && (
        <MeasuredField
          label="Diagonal, corner 2 to corner 4 (a check)"
          off={check}
          display={display}
          toleranceMm={toleranceMm}
          help="as the other five have it"
          onMeasured={write(check, `${block.id}, diagonal 2 to 4`)}
        />
      )}
      {check?.off != null && Math.abs(check.off) > toleranceMm && (
        <Caution
          level="caution"
          text="the measurements do not agree: one of the six is wrong, or a wall is bowed; measure again"
        />
      )}
    </View>
  );
};

/** Plates, corner by corner, and the ridge. */
export const Heights = ({
  block,
  taken,
  display,
  toleranceMm,
  write,
  job,
  part,
}: PartProps & {
  readonly job: Job;
  readonly part: number;
}) => {
  const ridge = ridgeHeight(job, part);
  const ridgeOff = ridge === null ? null : oneOff(taken, asBuiltPath.ridge(block.id), ridge);
  return (
    <View className="gap-3">
      <Title className="text-xl">Heights</Title>
      {block.outline.map((_, i) => {
        const off = oneOff(taken, asBuiltPath.plate(block.id, i), 0);
        return (
          <MeasuredField
            key={off.path}
            label={`‹Plate› at corner ${i + 1}`}
            off={off}
            display={display}
            size="timber"
            toleranceMm={toleranceMm}
            {...(i === 0 ? { help: 'over one level, the same for all corners' } : {})}
            onMeasured={write(off, `${block.id}, plate at corner ${i + 1}`)}
          />
        );
      })}
      {ridgeOff !== null && (
        <MeasuredField
          label="Top of the ‹ridge› over the ‹plate›"
          off={ridgeOff}
          display={display}
          toleranceMm={toleranceMm}
          onMeasured={write(ridgeOff, `${block.id}, top of the ridge`)}
        />
      )}
    </View>
  );
};

/** What the yard sent. */
export const Timbers = ({
  job,
  taken,
  display,
  write,
}: Pick<PartProps, 'taken' | 'display' | 'write'> & { readonly job: Job }) => (
  <View className="gap-3">
    <Title className="text-xl">Timber</Title>
    <Small>What the yard sent, measured at both ends: wet timber is thicker, planed thinner.</Small>
    {SIZED.map((name) => {
      const stock = job.timber[name];
      if (stock === undefined) return null;
      const kind = kindName(name, display.terms);
      const of = (size: 'thickness' | 'depth' | 'twist', planned: number) =>
        oneOff(taken, asBuiltPath.timber(name, size), planned);
      const rows = [
        [`${kind}, thickness`, of('thickness', stock.thickness)],
        [`${kind}, depth`, of('depth', stock.depth)],
        [`${kind}, twist from end to end`, of('twist', 0)],
      ] as const;
      const twist = of('twist', 0).off;
      const lean = twist === null ? 0 : (Math.abs(twist) / stock.depth) * stock.thickness;
      return (
        <View key={name} className="gap-3">
          {rows.map(([label, off]) => (
            <MeasuredField
              key={off.path}
              label={label}
              off={off}
              display={display}
              size="timber"
              toleranceMm={1}
              {...(off.path.endsWith('twist')
                ? { help: 'how far one edge stands off a flat floor over its depth' }
                : {})}
              onMeasured={write(off, label)}
            />
          ))}
          {lean > 0 && (
            <Small>
              So twisted, a cut that is square at one end stands open by {tenth(lean, display)} over
              the thickness at the other: mark each end from its own face.
            </Small>
          )}
        </View>
      );
    })}
  </View>
);
