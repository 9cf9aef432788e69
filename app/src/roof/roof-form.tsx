import { View } from 'react-native';
import { useOpenJob } from '../data/open-job';
import { EaveSection } from '../draw/eave-section';
import { pitchText, withSide } from '../site/rectangle';
import { Choice } from '../ui/choice';
import { LengthField } from '../ui/fields';
import { Small, Title } from '../ui/text';

/** What shape it is: each wall an eave or a gable, its overhang, and the eave in section. */
export const RoofForm = () => {
  const { job, edit, solution, problemAt } = useOpenJob();
  const [block] = job.blocks;
  if (block === undefined) return null;
  const pitch = pitchText(block);
  const setRoof = (index: number, roof: 'eave' | 'gable') =>
    edit((now) =>
      withSide(now, index, (side) => {
        const overhang = 'overhang' in side ? side.overhang : 0;
        return roof === 'eave' ? { roof, pitch, overhang } : { roof, overhang };
      }),
    );
  return (
    <View className="gap-6">
      <View>
        <Title>Walls</Title>
        <Small>
          A wall under an eave carries rafters; a gable wall runs up to the slope. Where two eaves
          meet, a hip stands on the corner.
        </Small>
      </View>
      {block.sides.map((side, i) => (
        <View key={i} className="gap-2">
          <Choice
            label={`Wall ${i + 1}`}
            value={side.roof === 'gable' ? 'gable' : 'eave'}
            options={[
              { value: 'eave', label: 'Eave' },
              { value: 'gable', label: 'Gable' },
            ]}
            onChange={(roof) => setRoof(i, roof)}
            {...(problemAt(`blocks.0.sides.${i}.roof`) === undefined
              ? {}
              : { help: problemAt(`blocks.0.sides.${i}.roof`) ?? '' })}
          />
          {'overhang' in side && (
            <LengthField
              label={`Overhang at wall ${i + 1}`}
              size="timber"
              path={`blocks.0.sides.${i}.overhang`}
              value={side.overhang}
              onValue={(overhang) =>
                edit((now) => withSide(now, i, (one) => ({ ...one, overhang })))
              }
            />
          )}
        </View>
      ))}
      <View className="gap-2">
        <Title>The eave in section</Title>
        {solution !== null && <EaveSection job={job} solution={solution} />}
        <Choice
          label="Tail"
          value={job.framing.tail}
          options={[
            { value: 'plumb', label: 'Plumb' },
            { value: 'square', label: 'Square' },
          ]}
          onChange={(tail) => edit((now) => ({ ...now, framing: { ...now.framing, tail } }))}
          help="Plumb takes a plumb fascia and a level soffit, and is the default; square is quicker to cut and leans the fascia."
        />
      </View>
    </View>
  );
};
