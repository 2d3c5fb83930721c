/** Leads to a list as CSV, as the person who looks may read it. */
export function ListLink({ list, words = 'This list as CSV' }: { readonly list: string; readonly words?: string }) {
  return (
    <a href={`/files/list/${list}`} download className="text-13 font-normal underline underline-offset-4 print:hidden">
      {words}
    </a>
  );
}
