// A worker thread does not inherit the TypeScript loader of the main one: it registers its own, then becomes the workshop.
import { register } from 'tsx/esm/api'

register()
await import('./thread.ts')
