interface Props {
  readonly src: string;
  /** Empty where the words beside it say what it is. */
  readonly title: string;
  readonly className?: string;
}

/** A section at which nobody points: a picture that the browser keeps, in place of hundreds of outlines in the page. */
export function SectionPicture({ src, title, className = 'max-h-[58vh] w-full object-contain' }: Props) {
  return <img src={src} alt={title} className={className} loading="lazy" decoding="async" />;
}
