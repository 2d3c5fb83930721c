import { demoPassword, demoPeople } from '../demo/people';

process.stdout.write(
  `Demonstration sign-ins, password "${demoPassword}":\n${demoPeople.map(({ email, role, name, pin }) => `  ${email.padEnd(30)} ${role.padEnd(12)} ${name}, PIN ${pin}`).join('\n')}\n`,
);
