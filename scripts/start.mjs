// npm start: the application in production, on PEMBIT_DATA.
import { checkNode, ensureBuild, ensurePackages } from './setup.mjs';
import { serve } from './serve.mjs';

checkNode();
ensurePackages();
ensureBuild();
serve();
