// Installs the Debian programs that the checks use, where they are missing.
import { ensureBrowser, ensureProgram } from './packages.mjs';

ensureProgram('mariadbd', 'mariadb-server');
ensureProgram('openssl', 'openssl');
ensureBrowser();
