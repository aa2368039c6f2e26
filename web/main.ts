import './theme/tokens.css';
import './theme/base.css';
import { startEarly } from './app/early.ts';
import { surviveNewBuild } from './app/newBuild.ts';

surviveNewBuild();
startEarly(window.location.pathname);
import('./app/start.tsx');
