/**
 * A text for `like`, in which no sign stands for others.
 * @example likeText('5%_') // '5\\%\\_'
 */
export const likeText = (text: string): string => text.replace(/[\\%_]/g, '\\$&');
