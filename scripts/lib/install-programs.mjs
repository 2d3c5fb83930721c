// Installs the Debian programs that the checks use, where they are missing.
import { ensureProgram } from './packages.mjs';

ensureProgram('mariadbd', 'mariadb-server');
ensureProgram('chromium', 'chromium');
