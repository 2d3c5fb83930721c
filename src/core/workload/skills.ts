/** What hands can do, and what places are for. An operation needs one of each that it names, all at once. */
export const handSkills = ['bench hand', 'inspector', 'machinist', 'tester', 'desk'] as const;
export const placeSkills = ['bench', 'washer', 'cabinet', 'press', 'lathe', 'balancer', 'stand'] as const;
/** Places that a shop may be without: the work is done at the bench then, or goes out. */
export const optionalPlaces: ReadonlySet<string> = new Set(['cabinet', 'press', 'balancer']);
export const skills = [...handSkills, ...placeSkills] as const;
export type Skill = (typeof skills)[number];
