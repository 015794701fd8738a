// npm run setup: installs and builds, and starts nothing. Afterwards the tree can be read-only, and served by another account.
import { checkNode, ensureBuild, ensurePackages, say } from './setup.mjs';

checkNode();
ensurePackages();
ensureBuild();
say('Ready: npm start serves it.');
