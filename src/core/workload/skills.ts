/** What hands can do, and what places are for. An operation needs one of each that it names, all at once. */
export const handSkills = ['bench hand', 'inspector', 'machinist', 'tester', 'desk'] as const;
export const placeSkills = ['bench', 'washer', 'lathe', 'stand'] as const;
export const skills = [...handSkills, ...placeSkills] as const;
export type Skill = (typeof skills)[number];
