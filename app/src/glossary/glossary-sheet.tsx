import { capital, inTerms, TERM_NAMES, TERMS, type TermName } from '@ogee/core/src/terms';
import { MEANINGS } from '@ogee/core/src/glossary';
import X from 'lucide-react-native/icons/x';
import { Pressable, Text, View } from 'react-native';
import { IconButton } from '../ui/button';
import { Dialog } from '../ui/dialog';
import { useTermsOf } from '../ui/terms';
import { Small, Title, Words } from '../ui/text';
import { TermPicture } from './term-picture';

/** One term: its picture, what it means, what it is called elsewhere; and all the others. */
export const GlossarySheet = ({
  term,
  onTerm,
  onClose,
}: {
  readonly term: TermName;
  readonly onTerm: (term: TermName) => void;
  readonly onClose: () => void;
}) => {
  const terms = useTermsOf();
  const { means, shown } = MEANINGS[term];
  const name = TERMS[term][terms];
  const elsewhere = TERMS[term][terms === 'us' ? 'uk' : 'us'];
  const others = [...TERM_NAMES].sort((p, q) => TERMS[p][terms].localeCompare(TERMS[q][terms]));
  return (
    <Dialog label={capital(name)} onClose={onClose} testID="glossary">
      <View className="flex-row items-center pl-4 pr-1 pt-1">
        <Title className="flex-1">{capital(name)}</Title>
        <IconButton label="Close" icon={X} onPress={onClose} testID="glossary-close" />
      </View>
      <View className="gap-3 p-4 pt-0">
        {shown !== null && <TermPicture {...shown} label={inTerms(`‹${term}›`, terms)} />}
        <Words asked>{means}</Words>
        {elsewhere !== name && <Small>Elsewhere called {elsewhere}.</Small>}
        <Title level={3}>All words</Title>
        <View className="flex-row flex-wrap gap-2">
          {others.map((other) => (
            <Pressable
              key={other}
              role="button"
              aria-pressed={other === term}
              onPress={() => onTerm(other)}
              className={`min-h-[48px] min-w-[48px] items-center justify-center rounded border px-3 ${other === term ? 'border-chalk bg-wash' : 'border-edge bg-paper'}`}
            >
              <Text className="font-words text-base text-chalk">{TERMS[other][terms]}</Text>
            </Pressable>
          ))}
        </View>
      </View>
    </Dialog>
  );
};
