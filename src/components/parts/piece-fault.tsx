/** What is refused of a piece of a parcel; another number may be accepted by name. */
export function PieceFault({
  fault,
  isOther,
  isAccepted,
  onAccept,
}: {
  readonly fault: string | undefined;
  /** Whether a number was read on it, which may stand for the one that was ordered. */
  readonly isOther: boolean;
  readonly isAccepted: boolean;
  readonly onAccept: (is: boolean) => void;
}) {
  if (!fault) return null;
  return (
    <div className="mt-1 flex items-center gap-4">
      <p className="text-13 font-semibold text-jasper">{fault}</p>
      {isOther && (
        <label className="flex min-h-11 items-center gap-2 text-13">
          <input
            type="checkbox"
            className="size-6 accent-(--ink)"
            checked={isAccepted}
            onChange={(event) => onAccept(event.target.checked)}
          />
          it stands for it, by my name
        </label>
      )}
    </div>
  );
}
