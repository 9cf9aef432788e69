import type { Held, Likely, Looked, Seen, Sign } from '@ogee/core/src/test-fit';
import type { Job } from '@ogee/core/src/job';
import { useQuery } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { usePiece } from '../data/use-piece';
import { useHandling, useJob } from '../data/open-job';
import { useRoof } from '../data/roof';
import { useSiteLog } from '../data/site-log';
import { causeWords } from '../log/cause-words';
import type { TriedAnswer } from '../solver/answers';
import { Button } from '../ui/button';
import { Caution } from '../ui/caution';
import { Choice } from '../ui/choice';
import { writeLength, writeTenth } from '../ui/length-entry';
import { LooseLength } from '../form/loose-fields';
import { Loading, Standstill } from '../ui/states';
import { useTerms } from '../ui/terms';
import { Figure, Small, Strong, Title, Words } from '../ui/text';
import { WordsField } from '../ui/words-field';
import { CAUSE_DOES, SIGN_WORDS } from './words';
import { SignPicture } from './sign-picture';

const SIGNS_OF: Readonly<Record<Held, readonly Sign[]>> = {
  seated: ['top-gap', 'bottom-gap', 'top-step', 'plate-step', 'hap'],
  'at-top': ['seat-front', 'seat-back', 'heel-gap', 'hap'],
};

type OthersChoice = 'unknown' | NonNullable<Looked['others']>;

/** Causes with less of a share than this are not worth a line. */
const LEAST_SHARE = 0.02;

const OneSign = ({
  sign,
  value,
  display,
  onValue,
}: {
  readonly sign: Sign;
  readonly value: number | undefined;
  readonly display: Job['display'];
  readonly onValue: (value: number | null) => void;
}) => (
  <View className="flex-row gap-3 border-t border-grain pt-3">
    <SignPicture sign={sign} />
    <View className="min-w-0 flex-1">
      <LooseLength
        label={SIGN_WORDS[sign].label}
        help={SIGN_WORDS[sign].help}
        display={display}
        size="timber"
        value={value ?? null}
        onValue={onValue}
        placeholder="not looked at"
        testID={`sign-${sign}`}
      />
    </View>
  </View>
);

/** One cause: how likely, what is to be done, and what taking it into the job would change. */
const Cause = ({
  one,
  place,
  display,
  onTake,
}: {
  readonly one: TriedAnswer['likely'][number];
  readonly place: number;
  readonly display: Job['display'];
  readonly onTake: () => void;
}) => {
  const { cause, byMm, share, change } = one;
  return (
    <View className="gap-2 border-t border-grain py-3" testID={`cause-${place}`}>
      <View className="flex-row items-baseline gap-3">
        <Figure className="w-14 text-2xl text-chalk">{Math.round(share * 100)} %</Figure>
        <Strong className="flex-1" asked>
          {causeWords({ cause, by: byMm }, display)}
        </Strong>
      </View>
      <Words>{CAUSE_DOES[cause]}</Words>
      {change !== null && (
        <>
          <Small>
            {change.marks === 0
              ? 'Taken into the job it changes no mark.'
              : `Taken into the job it changes ${change.marks} marks, the most by ${writeTenth(change.mostMm, display)}.`}
          </Small>
          <Button label="Take it into the job" onPress={onTake} testID={`take-${place}`} />
        </>
      )}
    </View>
  );
};

const Trial = ({ mark }: { readonly mark: string }) => {
  const job = useJob();
  const { edit } = useHandling();
  const say = useTerms();
  const { roof, ask } = useRoof();
  const log = useSiteLog();
  const [held, setHeld] = useState<Held>('seated');
  const [seen, setSeen] = useState<Seen>({});
  const [others, setOthers] = useState<OthersChoice>('unknown');
  const [reason, setReason] = useState('');
  const [taken, setTaken] = useState<string | null>(null);
  const looked: Looked = { held, seen, others: others === 'unknown' ? null : others };
  const some = SIGNS_OF[held].some((sign) => seen[sign] !== undefined);
  const { data, isFetching } = useQuery({
    queryKey: ['tried', roof?.serial ?? 0, mark, looked],
    queryFn: async () =>
      roof === null ? null : ask(roof, (solver, subject) => solver.tried(subject, mark, looked)),
    enabled: roof !== null && some,
    gcTime: 0,
    networkMode: 'always',
  });
  const likely = some ? (data?.likely ?? []).filter(({ share }) => share > LEAST_SHARE) : [];
  const figures = Object.fromEntries(
    SIGNS_OF[held].flatMap((sign) => {
      const mm = seen[sign];
      return mm === undefined ? [] : [[sign, mm]];
    }),
  );
  const write = () =>
    log.write({
      kind: 'test',
      mark,
      held,
      seen: figures,
      others: looked.others,
      causes: likely.map(({ cause, byMm }) => ({ cause, by: byMm })),
    });
  const take = (one: Likely & { readonly change: { readonly job: Job } | null }): void => {
    if (one.change === null) return;
    const next = one.change.job;
    const words = say(causeWords({ cause: one.cause, by: one.byMm }, job.display));
    const said = `From the fit of ${mark}: ${words}`;
    // The reason is kept with the change, in the history and in the log.
    if (!edit((now) => ({ ...next, display: now.display }), said.slice(0, 200))) return;
    const why = Object.entries(figures)
      .map(([sign, mm]) => `${SIGN_WORDS[sign as Sign].label} ${writeLength(mm, job.display)}`)
      .join(', ');
    void write().then(() =>
      log.write({ kind: 'correction', said, reason: reason.trim() === '' ? why : reason.trim() }),
    );
    setTaken(said);
    setSeen({});
  };
  return (
    <View className="gap-4" testID="try">
      <View>
        <Title level={1}>{mark} in place</Title>
        <Small>
          Try the pattern before the others are traced. Write what you see; the likely causes are
          worked out for this very piece.
        </Small>
      </View>
      {taken !== null && (
        <View role="status" className="rounded border border-chalk bg-wash p-3" testID="taken">
          <Strong>{taken}</Strong>
          <Small>
            What is not sawn yet has changed. What is sawn is judged at the saw: too long, too
            short, or still good.
          </Small>
        </View>
      )}
      <Choice
        label="How it is held"
        value={held}
        options={[
          { value: 'seated', label: 'Tight on the ‹plate›' },
          { value: 'at-top', label: 'Tight at the top' },
        ]}
        onChange={setHeld}
        help={
          held === 'seated'
            ? 'Its seat flat on the ‹plate› and its heel against the wall: what is wrong shows at the top.'
            : 'Its ‹plumb cut› flat against the ‹ridge›, at its mark: what is wrong shows at the ‹plate›.'
        }
      />
      <View className="gap-3">
        <Title className="text-xl">What you see</Title>
        {SIGNS_OF[held].map((sign) => (
          <OneSign
            key={sign}
            sign={sign}
            value={seen[sign]}
            display={job.display}
            onValue={(mm) => {
              const { [sign]: _gone, ...rest } = seen;
              setSeen(mm === null ? rest : { ...rest, [sign]: mm });
              setTaken(null);
            }}
          />
        ))}
      </View>
      <Choice
        label="And its like?"
        value={others}
        options={[
          { value: 'unknown', label: 'Not looked at' },
          { value: 'all', label: 'All show it' },
          { value: 'here', label: 'This one alone' },
          { value: 'opposite', label: 'Opposite, the other way' },
        ]}
        onChange={setOthers}
      />
      <View aria-live="polite" className="gap-2" testID="causes">
        <Title className="text-xl">Likely causes</Title>
        {!some && <Words>Write one figure at least; 0 is one, where it is tight.</Words>}
        {some && isFetching && <Words>Working it out …</Words>}
        {likely.map((one, i) => (
          <Cause
            key={one.cause}
            one={one}
            place={i}
            display={job.display}
            onTake={() => take(one)}
          />
        ))}
      </View>
      {likely.length > 0 && (
        <View className="gap-2">
          <Strong nativeID="reason-label">Why, for the log</Strong>
          <WordsField
            value={reason}
            onChangeText={setReason}
            maxLength={500}
            placeholder="what you measured to be sure"
            aria-labelledby="reason-label"
            testID="reason"
          />
          <Button
            label="Write the test in the log"
            onPress={() => void write().then(() => setTaken(`${mark}: the test is in the log`))}
            testID="log-test"
          />
        </View>
      )}
      <Caution
        level="caution"
        text="Nobody stands under a rafter that is only tried: two hold it, or it is lashed. Measure what a cause says before you saw by it."
      />
    </View>
  );
};

/** One piece tried in place: what is seen, and what is likely wrong. */
export const TryScreen = ({ mark }: { readonly mark: string }) => {
  const { id } = useHandling();
  const router = useRouter();
  const found = usePiece(mark);
  if (found === undefined) return <Loading what="Fetching the piece …" />;
  if (found.answer?.canBeTried === true) return <Trial key={mark} mark={mark} />;
  return (
    <Standstill
      title={`${mark} is not tried this way`}
      text="Only a rafter with a seat on a plate and a cut at its upper end shows what its numbers got wrong."
      action={{ label: 'Cut list', onPress: () => router.navigate(`/job/${id}/cuts`) }}
    />
  );
};
