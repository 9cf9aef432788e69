import { inTerms, pieces, type TermName, type Terms } from '@ogee/core/src/terms';
import { Children, createContext, useContext, type ReactNode } from 'react';
import { Text } from 'react-native';

interface InTerms {
  readonly terms: Terms;
  /** Says what a term means; null where nobody can be asked. */
  readonly explain: ((term: TermName) => void) | null;
}

/** Whose words the trade's terms are told in. American where no job is open. */
const Context = createContext<InTerms>({ terms: 'us', explain: null });

export const TermsProvider = Context.Provider;

/** Tells a text with terms in ‹angle quotes› in the crew's words: for names that are read aloud and for drawings. */
export const useTerms = (): ((text: string) => string) => {
  const { terms } = useContext(Context);
  return (text) => inTerms(text, terms);
};

export const useTermsOf = (): Terms => useContext(Context).terms;

/** Whether a text has terms of the trade in it; most have none, and stand as they are. */
const hasTerms = (text: ReactNode): boolean =>
  typeof text === 'string' ? text.includes('‹') : Array.isArray(text) && text.some(hasTerms);

/** Running text in the crew's words; see {@link Worded}. */
export const worded = (text: ReactNode, asked: boolean): ReactNode =>
  hasTerms(text) ? <Worded asked={asked}>{text}</Worded> : text;

/** A text with terms in it. Where they are asked about, each is touched for what it means. */
const Worded = ({ children, asked }: { readonly children: ReactNode; asked: boolean }) => {
  const { terms, explain } = useContext(Context);
  return Children.map(children, (child) => {
    if (typeof child !== 'string' || !child.includes('‹')) return child;
    if (!asked || explain === null) return inTerms(child, terms);
    return pieces(child, terms).map(({ text, term }, i) =>
      term === null ? (
        text
      ) : (
        <Text
          key={i}
          role="link"
          tabIndex={0}
          aria-label={`${text}: what it means`}
          onPress={(event) => {
            event.stopPropagation();
            explain(term);
          }}
          // Room for a thumb round the word, which moves no line: padding of a word in running text takes none.
          className="-mx-[15px] cursor-help px-[15px] py-[14px] underline decoration-chalk decoration-dotted underline-offset-4"
        >
          {text}
        </Text>
      ),
    );
  });
};
