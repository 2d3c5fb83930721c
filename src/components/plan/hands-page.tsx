'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v4 as makeId } from 'uuid';
import { handSkills, placeSkills, type HandsShown, type Skill } from '@/core/workload';
import type { InputOf } from '@/contract';
import { useAct } from '../act/use-act';
import { Button, ErrorNote, issueFor, TextField } from '../ui/form';
import { HoursEditor } from './hours-editor';
import { PlanLinks } from './plan-links';

type Resource = HandsShown['resources'][number];
type Change = Partial<Pick<Resource, 'name' | 'skills' | 'calendarId' | 'isActive'>>;

const saved = ({ version, ...own }: Resource, change: Change): InputOf<'save-resource'> => {
  const { skills, ...row } = { ...own, ...change };
  return { ...row, skills: [...skills], basedOn: version };
};

interface RowProps {
  readonly resource: Resource;
  readonly calendars: HandsShown['calendars'];
}

/** One hand or place: what it can do, when it is there, and whether the plan reckons with it. Each press is kept at once. */
function ResourceRow({ resource, calendars }: RowProps) {
  const router = useRouter();
  const { run, error, isBusy } = useAct();
  const { name, kind, skills, calendarId, isActive } = resource;
  const keep = async (change: Change) => {
    if (await run('save-resource', saved(resource, change))) router.refresh();
  };
  const all: readonly Skill[] = kind === 'hand' ? handSkills : placeSkills;
  const toggled = (skill: Skill) =>
    skills.includes(skill) ? skills.filter((one) => one !== skill) : [...skills, skill];
  return (
    <li className={`row py-2 first:border-0 ${isActive ? '' : 'text-quiet'}`}>
      <div className="grid items-center gap-x-4 gap-y-1 lg:grid-cols-[170px_1fr_190px_150px]">
        <b>{name}</b>
        <span className="flex flex-wrap gap-x-4">
          {all.map((skill) => (
            <label key={skill} className="flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                className="size-5"
                checked={skills.includes(skill)}
                disabled={isBusy}
                onChange={() => void keep({ skills: toggled(skill) })}
              />
              {skill}
            </label>
          ))}
        </span>
        <select
          aria-label={`Hours of ${name}`}
          className="field"
          value={calendarId ?? ''}
          disabled={isBusy}
          onChange={(event) => void keep({ calendarId: event.target.value || null })}
        >
          <option value="">at any hour</option>
          {calendars.map((one) => (
            <option key={one.id} value={one.id}>
              {one.name}
            </option>
          ))}
        </select>
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="size-5"
            checked={isActive}
            disabled={isBusy}
            onChange={() => void keep({ isActive: !isActive })}
          />
          in the plan
        </label>
      </div>
      <ErrorNote error={error} />
    </li>
  );
}

/** A place more, such as another bench. */
function AddPlace() {
  const router = useRouter();
  const { run, error, isBusy } = useAct();
  const [name, setName] = useState('');
  const [skill, setSkill] = useState<Skill>('bench');
  const add = async () => {
    const place = { id: makeId(), basedOn: 0, name, kind: 'place' as const, skills: [skill], calendarId: null };
    if (!(await run('save-resource', { ...place, isActive: true }))) return;
    setName('');
    router.refresh();
  };
  return (
    <div className="flex flex-wrap items-end gap-3 pt-2">
      <TextField
        label="Another place"
        value={name}
        error={issueFor(error, 'name')}
        onChange={(event) => setName(event.target.value)}
      />
      <label className="text-13">
        <span className="mb-1 block text-quiet">For</span>
        <select
          className="field"
          value={skill}
          onChange={(event) => setSkill(placeSkills.find((one) => one === event.target.value) ?? 'bench')}
        >
          {placeSkills.map((one) => (
            <option key={one} value={one}>
              {one}
            </option>
          ))}
        </select>
      </label>
      <Button verb="save-resource" disabled={isBusy} onClick={() => void add()}>
        Add the place
      </Button>
    </div>
  );
}

/** Who can do what, which places there are, and the hours of all of them. */
export function HandsPage({ shown }: { readonly shown: HandsShown }) {
  const { resources, calendars, today } = shown;
  const hands = resources.filter(({ kind }) => kind === 'hand');
  const places = resources.filter(({ kind }) => kind === 'place');
  return (
    <div className="space-y-6 p-6">
      <div className="flex flex-wrap items-baseline gap-x-6 gap-y-1">
        <h1 className="text-24 font-bold">Hands and hours</h1>
        <p className="text-quiet">What is changed here is in the plan within seconds</p>
        <PlanLinks className="ml-auto" />
      </div>
      <section aria-label="Hands">
        <h2 className="border-b border-ink font-bold">Hands</h2>
        <ul>
          {hands.map((one) => (
            <ResourceRow key={one.id} resource={one} calendars={calendars} />
          ))}
        </ul>
      </section>
      <section aria-label="Places">
        <h2 className="border-b border-ink font-bold">Places</h2>
        <ul>
          {places.map((one) => (
            <ResourceRow key={one.id} resource={one} calendars={calendars} />
          ))}
        </ul>
        <AddPlace />
      </section>
      <section aria-label="Hours">
        <h2 className="border-b border-ink font-bold">Hours</h2>
        <div className="grid gap-6 pt-3 lg:grid-cols-2">
          {calendars.map((one) => (
            <HoursEditor key={`${one.id} ${one.version}`} calendar={one} today={today} />
          ))}
          <HoursEditor key={`new ${calendars.length}`} calendar={null} today={today} />
        </div>
      </section>
    </div>
  );
}
