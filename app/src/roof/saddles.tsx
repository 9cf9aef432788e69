import {
  gutterOf,
  saddleRidge,
  saddlesIn,
  withSaddleBetween,
  withSaddlePitch,
  withSaddleRidge,
  withSaddleStock,
} from '@ogee/core/src/job';
import { degrees, formatDegrees, pitchRad } from '@ogee/core/src/units';
import { View } from 'react-native';
import { useHandling, useJob, useProblems } from '../data/open-job';
import { Caution } from '../ui/caution';
import { ChoiceField, LengthField, PitchField } from '../form/fields';
import { Small, Title } from '../ui/text';

/** What pitch saddles have: their slope's, one of their own, or the one that falls out of their ridge's height. */
export const SaddlePitch = ({
  numbers,
  name,
  matched = false,
}: {
  readonly numbers: readonly number[];
  readonly name: string;
  /** Two halves are held to one ridge: their slopes' own pitch is no choice. */
  readonly matched?: boolean;
}) => {
  const job = useJob();
  const { edit } = useHandling();
  const [first = -1] = numbers;
  const saddle = job.saddles[first];
  if (saddle === undefined) return null;
  const { pitch } = saddle;
  const rise = (2 * saddleRidge(job, saddle)) / (saddle.along[1] - saddle.along[0]);
  return (
    <View className="gap-3">
      {!matched && (
        <ChoiceField
          label={`${name}: its pitch`}
          value={pitch === undefined ? 'slope' : 'own'}
          options={[
            { value: 'slope', label: 'As the slope’s' },
            { value: 'own', label: 'Its own' },
          ]}
          onChange={(way) =>
            edit((now) =>
              withSaddlePitch(
                now,
                numbers,
                way === 'slope' ? undefined : { rise: rise * 12, run: 12 },
              ),
            )
          }
        />
      )}
      {pitch !== undefined && (
        <View className="flex-row gap-3">
          <View className="flex-1">
            <PitchField
              label="Its pitch"
              of={name}
              path={`saddles.${first}.pitch`}
              value={formatDegrees(degrees(pitchRad(pitch)))}
              onValue={(next) => edit((now) => withSaddlePitch(now, numbers, next))}
            />
          </View>
          <View className="flex-1">
            <LengthField
              label="Its ‹ridge› over its corners"
              of={name}
              path={`saddles.${first}.ridge`}
              refusedAt={`saddles.${first}`}
              value={saddleRidge(job, saddle)}
              onValue={(mm) => edit((now) => withSaddleRidge(now, numbers, mm))}
            />
          </View>
        </View>
      )}
      <SaddleStock numbers={numbers} name={name} />
    </View>
  );
};

const MEASURES = ['thickness', 'depth'] as const;

/** What a saddle's own timber starts from: the lightest that is framed with. mm */
const START = {
  imperial: { thickness: 38.1, depth: 88.9 },
  metric: { thickness: 45, depth: 95 },
} as const;

/** What a saddle is framed of: smaller timber than the roof's, mostly. */
const SaddleStock = ({
  numbers,
  name,
}: {
  readonly numbers: readonly number[];
  readonly name: string;
}) => {
  const job = useJob();
  const { edit } = useHandling();
  const [first = -1] = numbers;
  const own = job.saddles[first]?.stock;
  return (
    <View className="gap-3">
      <ChoiceField
        label={`${name}: its timber`}
        value={own === undefined ? 'roof' : 'own'}
        options={[
          { value: 'roof', label: 'As the roof’s' },
          { value: 'own', label: 'Its own' },
        ]}
        onChange={(way) =>
          edit((now) =>
            withSaddleStock(now, numbers, way === 'roof' ? null : START[now.display.units]),
          )
        }
      />
      {own !== undefined && (
        <View className="flex-row gap-3">
          {MEASURES.map((measure) => (
            <View key={measure} className="flex-1">
              <LengthField
                label={measure === 'thickness' ? 'Thickness' : 'Depth'}
                of={name}
                size="timber"
                path={`saddles.${first}.stock.${measure}`}
                value={own[measure]}
                onValue={(mm) =>
                  edit((now) => withSaddleStock(now, numbers, { ...own, [measure]: mm }))
                }
              />
            </View>
          ))}
        </View>
      )}
    </View>
  );
};

/** Where two roofs stand back to back over one wall: a saddle on both slopes, so that the gutter between them drains. */
export const GutterSaddle = ({ index }: { readonly index: number }) => {
  const job = useJob();
  const { edit } = useHandling();
  const { problemAt } = useProblems();
  const gutter = gutterOf(job, index);
  if (gutter === null) return null;
  const there = saddlesIn(job, gutter);
  const problems = there.flatMap((number) => problemAt(`saddles.${number}`) ?? []);
  return (
    <View className="gap-3" testID="gutter-saddle">
      <Title level={3}>Between this roof and “{gutter.other.block}”</Title>
      <Small>
        Their eaves stand back to back, and water stands between them. A saddle on both slopes, its
        ridge level across, throws it out at both ends.
      </Small>
      <ChoiceField
        label="In the gutter between the roofs"
        value={there.length > 0 ? 'saddle' : 'none'}
        options={[
          { value: 'none', label: 'Nothing' },
          { value: 'saddle', label: 'A saddle' },
        ]}
        onChange={(way) => edit((now) => withSaddleBetween(now, gutter, way === 'saddle'))}
        help="Its ridge is set under the lower of the two; its pitch falls out of that height and the gutter’s length."
      />
      {there.length > 0 && <SaddlePitch numbers={there} name="Saddle in the gutter" matched />}
      {problems.map((text) => (
        <Caution key={text} level="caution" text={text} />
      ))}
    </View>
  );
};
