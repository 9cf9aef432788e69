import type { TermName } from '@ogee/core/src/terms';
import { useState, type ReactNode } from 'react';
import { useDisplay } from '../data/open-job';
import { TermsProvider } from '../ui/terms';
import { GlossarySheet } from './glossary-sheet';

/** The open job's words; a term that is touched is explained over the page, and every other is one touch further. */
export const Glossary = ({ children }: { readonly children: ReactNode }) => {
  const display = useDisplay();
  const [term, setTerm] = useState<TermName | null>(null);
  return (
    <TermsProvider value={{ terms: display.terms, explain: setTerm }}>
      {children}
      {term !== null && (
        <GlossarySheet term={term} onTerm={setTerm} onClose={() => setTerm(null)} />
      )}
    </TermsProvider>
  );
};
