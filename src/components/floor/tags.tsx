import { Link } from '../ui/link';

/** Jobs that something speaks of, each leading to its page. */
export function Tags({ tags }: { readonly tags: readonly string[] }) {
  return (
    <span className="flex flex-wrap gap-x-2">
      {tags.map((tag) => (
        <Link key={tag} href={`/jobs/${tag}`} className="num underline underline-offset-4">
          {tag}
        </Link>
      ))}
    </span>
  );
}
