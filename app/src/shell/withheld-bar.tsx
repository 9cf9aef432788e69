import { pathFrom, type Path } from '@ogee/core/src/problem';
import { capital } from '@ogee/core/src/terms';
import { useRouter } from 'expo-router';
import ChevronDown from 'lucide-react-native/icons/chevron-down';
import ChevronUp from 'lucide-react-native/icons/chevron-up';
import Info from 'lucide-react-native/icons/info';
import { useState } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import { useHandling, useJob } from '../data/open-job';
import { useOfRoof, useRoof, type OpenRoof } from '../data/roof';
import { useTheme } from '../theme/theme';
import { Button } from '../ui/button';
import { Small, Strong, Words } from '../ui/text';
import { AcceptedButtons } from './accepted-buttons';
import { placeName } from './place-name';
import type { Place } from './places';

type Withheld = NonNullable<OpenRoof['roof']>['cuts']['withheld'][number];

const ON_THE_ROOF = new Set<Path[number]>(['openings', 'saddles', 'dormers', 'framing']);

/** The place of the app that a place of the job is asked for at. */
const askedAt = ([list, , within]: Path): Place['path'] => {
  if (list === 'blocks') return within === 'outline' ? 'site' : 'roof';
  return list !== undefined && ON_THE_ROOF.has(list) ? 'roof' : 'timber';
};

/** What would do instead, as far as it is known yet: it is worked out when it is looked at. */
const Instead = ({ path }: { readonly path: string }) => {
  const found = useOfRoof(['accepted', path], (solver, roof) => solver.accepted(roof, path));
  if (found === undefined) return <Small>Looking for what would do …</Small>;
  return <AcceptedButtons accepted={found.answer ?? []} />;
};

const Line = ({ part: { path, text, members = [] } }: { readonly part: Withheld }) => {
  const job = useJob();
  const { id } = useHandling();
  const router = useRouter();
  const place = pathFrom(path);
  const named = placeName(job, place);
  return (
    <View role="listitem" className="gap-2 border-t border-grain py-2">
      <Words>
        {capital(named === path ? text : `${named}: ${text}`)}
        {members.length === 0 ? '' : ` (${members.join(', ')})`}
      </Words>
      <View className="flex-row flex-wrap gap-2">
        <Button
          label="Where it is asked for"
          onPress={() => router.navigate(`/job/${id}/${askedAt(place)}`)}
        />
        <Instead path={path} />
      </View>
    </View>
  );
};

/** What was asked for beyond the base frame and is not framed: one line, and when it is touched why, and what would do. */
export const WithheldBar = () => {
  const { roof } = useRoof();
  const { colour } = useTheme();
  const [open, setOpen] = useState(false);
  const withheld = roof?.cuts.withheld ?? [];
  if (withheld.length === 0) return null;
  const Chevron = open ? ChevronUp : ChevronDown;
  return (
    <View role="status" testID="withheld" className="border-b border-edge bg-sheet px-3">
      <Pressable
        role="button"
        aria-expanded={open}
        onPress={() => setOpen(!open)}
        testID="withheld-open"
        className="min-h-[48px] flex-row items-center gap-2 active:bg-wash"
      >
        <Info size={20} color={colour('chalk')} />
        <View className="min-w-0 flex-1">
          <Strong>
            {withheld.length === 1 ? '1 thing not framed' : `${withheld.length} things not framed`}
          </Strong>
        </View>
        <Small>{open ? 'The roof stands without' : 'Why, and what would do'}</Small>
        <Chevron size={20} color={colour('chalk')} />
      </Pressable>
      {open && (
        <ScrollView className="max-h-[45vh]" role="region" aria-label="Not framed" tabIndex={0}>
          <View role="list">
            {withheld.map((part) => (
              <Line key={`${part.path} ${part.text}`} part={part} />
            ))}
          </View>
        </ScrollView>
      )}
    </View>
  );
};
