import { useEffect, useRef, type ReactNode } from 'react';

/**
 * Over the page, until it is closed: the browser keeps the focus in it, closes it by Escape, and dims what is behind.
 * The page behind is left as it stood.
 */
export const Dialog = ({
  label,
  onClose,
  testID,
  children,
}: {
  readonly label: string;
  readonly onClose: () => void;
  readonly testID: string;
  readonly children: ReactNode;
}) => {
  const element = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    const dialog = element.current;
    dialog?.showModal();
    return () => dialog?.close();
  }, []);
  return (
    <dialog
      ref={element}
      aria-label={label}
      data-testid={testID}
      onCancel={(event) => {
        event.preventDefault();
        onClose();
      }}
      // Only what is beside the sheet is the dialog itself.
      onClick={(event) => {
        if (event.target === event.currentTarget) onClose();
      }}
      className="m-auto mb-0 max-h-[85%] w-full max-w-[560px] overflow-y-auto rounded-t-lg border border-edge bg-sheet p-0 backdrop:bg-black/50 md:mb-auto md:rounded-lg"
    >
      {children}
    </dialog>
  );
};
