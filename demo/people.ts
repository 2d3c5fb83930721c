import type { Role } from '@/core/record';

export interface DemoPerson {
  readonly key: 'wenna' | 'ines' | 'odile' | 'marek' | 'bram' | 'sunniva';
  readonly name: string;
  readonly email: string;
  readonly role: Role;
  readonly pin: string;
}

/** One word opens the demonstration for everybody; it is printed at every start and must never be used in earnest. */
export const demoPassword = 'pebble-in-the-stream';

export const demoPeople: readonly DemoPerson[] = [
  { key: 'sunniva', name: 'Sunniva Kettle', email: 'sunniva@kettlewick.example', role: 'owner', pin: '1001' },
  { key: 'wenna', name: 'Wenna Tarrock', email: 'wenna@kettlewick.example', role: 'coordinator', pin: '2002' },
  { key: 'ines', name: 'Ines Callowhay', email: 'ines@kettlewick.example', role: 'technician', pin: '3003' },
  { key: 'odile', name: 'Odile Fennimoor', email: 'odile@kettlewick.example', role: 'technician', pin: '4004' },
  { key: 'marek', name: 'Marek Thornby', email: 'marek@kettlewick.example', role: 'inspector', pin: '5005' },
  { key: 'bram', name: 'Bram Oakenshaw', email: 'bram@kettlewick.example', role: 'parts', pin: '6006' },
];
