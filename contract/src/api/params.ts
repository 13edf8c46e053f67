import * as v from 'valibot';
import { CodeSchema, IdTextSchema } from '../basics';

export const byId = v.object({ id: IdTextSchema });
export const byNumber = v.object({ number: IdTextSchema });
export const byCode = v.object({ code: CodeSchema });
export const byTag = v.object({ tag: CodeSchema });
