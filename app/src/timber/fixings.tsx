import { capital } from '@ogee/core/src/terms';
import type { FixedPlace } from '@ogee/core/src/fixings';
import { withFixing, type FixingRule } from '@ogee/core/src/job';
import { fixingName, FIXINGS, isAlong, PLACES, type Place } from '@ogee/core/src/places';
import { spoken } from '@ogee/core/src/sentence';
import { formatLength, lengthFormat } from '@ogee/core/src/units';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import ChevronDown from 'lucide-react-native/icons/chevron-down';
import ChevronUp from 'lucide-react-native/icons/chevron-up';
import { useDisplay, useHandling } from '../data/open-job';
import { useOfRoof, useRoof } from '../data/roof';
import { useTheme } from '../theme/theme';
import { Button } from '../ui/button';
import { Caution } from '../ui/caution';
import { ChoiceField, LengthField, StepperField } from '../form/fields';
import { Figure, Small, Title, Words } from '../ui/text';

/** How one sort of place is fixed: what with, and how many, or how far apart. */
const Rule = ({ fixed }: { readonly fixed: FixedPlace }) => {
  const display = useDisplay();
  const { edit } = useHandling();
  const { place, fixing, each, centresMm, own } = fixed;
  const name = capital(spoken(PLACES[place].name, display));
  const set = (change: Partial<FixingRule>, said?: string) =>
    edit((now) => {
      const rule: FixingRule = {
        place,
        fixing,
        ...(centresMm === null ? { each } : { centres: centresMm }),
        ...change,
      };
      return withFixing(now, place, rule);
    }, said);
  return (
    <View className="gap-3 pb-3">
      <ChoiceField
        label={`${name}: fixed by`}
        value={fixing}
        options={FIXINGS.map((value) => ({ value, label: spoken(fixingName(value), display) }))}
        onChange={(next) => set({ fixing: next })}
      />
      {isAlong(place) ? (
        <LengthField
          label="On centres of"
          of={name}
          path={`fixings.${place}.centres`}
          value={centresMm ?? 0}
          onValue={(centres) => set({ centres })}
        />
      ) : (
        <StepperField
          label={`At each: ${name}`}
          path={`fixings.${place}.each`}
          value={each}
          step={1}
          min={0}
          max={50}
          unit=""
          onValue={(next) => set({ each: next })}
        />
      )}
      {own && (
        <Button
          label="As the list has it"
          onPress={() => edit((now) => withFixing(now, place, null), `${name}: as the list has it`)}
        />
      )}
    </View>
  );
};

const PlaceRow = ({
  fixed,
  open,
  onOpen,
}: {
  readonly fixed: FixedPlace;
  readonly open: boolean;
  readonly onOpen: (open: boolean) => void;
}) => {
  const display = useDisplay();
  const { colour } = useTheme();
  const { place, fixing, places, each, centresMm, lengthMm, count } = fixed;
  const length = (mm: number): string => formatLength(mm, lengthFormat(display));
  const how =
    centresMm === null || lengthMm === null
      ? `${places} places × ${each}`
      : `${length(lengthMm)} in ${places === 1 ? 'one length' : `${places} lengths`}, at ${length(centresMm)}`;
  const Chevron = open ? ChevronUp : ChevronDown;
  return (
    <View className="border-t border-grain">
      <Pressable
        role="button"
        aria-expanded={open}
        onPress={() => onOpen(!open)}
        className="min-h-[56px] flex-row items-center gap-3 py-1 active:bg-wash"
      >
        <View className="flex-1">
          <Words>{capital(spoken(PLACES[place].name, display))}</Words>
          <Small>{how}</Small>
        </View>
        <View className="items-end">
          <Figure>{count}</Figure>
          <Small>{spoken(fixingName(fixing), display)}</Small>
        </View>
        <Chevron size={24} color={colour('chalk')} />
      </Pressable>
      {open && <Rule fixed={fixed} />}
    </View>
  );
};

/** What holds the frame together: fixings by place, by the crew's own rules, and how many of each. */
export const Fixings = () => {
  const display = useDisplay();
  const { roof } = useRoof();
  const [open, setOpen] = useState<Place | null>(null);
  const fixings = useOfRoof(['fixings'], (solver, of) => solver.fixings(of))?.answer;
  if (fixings == null) return null;
  const clashes = (roof?.cuts.notes ?? []).filter(({ code }) => code === 'hangers-clash');
  return (
    <View className="gap-3" testID="fixings">
      <Title>Fixings</Title>
      <Caution
        level="caution"
        text="These are counts by your own rules, not a design: which fixings hold, and how many, is for the local code and licensed practice."
      />
      {clashes.map(({ text, member }) => (
        <Caution key={`${member ?? ''} ${text}`} level="caution" text={text} />
      ))}
      <View role="list" aria-label="All fixings" className="flex-row flex-wrap gap-x-6 gap-y-1">
        {fixings.totals.map(({ fixing, count }) => (
          <View key={fixing} role="listitem" className="flex-row items-baseline gap-2">
            <Figure className="text-2xl">{count}</Figure>
            <Words>{spoken(fixingName(fixing), display)}</Words>
          </View>
        ))}
      </View>
      <View>
        {fixings.places.map((fixed) => (
          <PlaceRow
            key={fixed.place}
            fixed={fixed}
            open={open === fixed.place}
            onOpen={(next) => setOpen(next ? fixed.place : null)}
          />
        ))}
      </View>
    </View>
  );
};
