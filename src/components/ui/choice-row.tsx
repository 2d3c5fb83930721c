import type { ReactNode } from 'react';

/** One of a few, each a press; the one that holds is dark. */
export function ChoiceRow<Choice extends string>({
  label,
  choices,
  chosen,
  onChoose,
  children = (choice) => choice,
}: {
  readonly label: string;
  readonly choices: readonly Choice[];
  readonly chosen: Choice;
  readonly onChoose: (choice: Choice) => void;
  /** What stands on each; its own word where nothing is said. */
  readonly children?: (choice: Choice) => ReactNode;
}) {
  return (
    <div role="group" aria-label={label} className="flex flex-wrap gap-2">
      {choices.map((choice) => (
        <button
          key={choice}
          type="button"
          aria-pressed={chosen === choice}
          className={`min-h-11 border px-4 ${chosen === choice ? 'border-ink bg-ink text-onink' : 'border-line'}`}
          onClick={() => onChoose(choice)}
        >
          {children(choice)}
        </button>
      ))}
    </div>
  );
}
