import { dinnerJsonSchema } from '../core/dinner';

process.stdout.write(`${JSON.stringify(dinnerJsonSchema(), null, 2)}\n`);
