/** What signing in, joining and leading take in. */
import { hasUnseen } from '@zygostat/core/validation';
import * as yup from 'yup';
import { ROLES } from '../db/schema';
import { body, required } from '../schemas';
import { LONGEST, newPassword } from './password';

const NAME_LENGTH = 60;
/** Longer than any that is taken for a new one; argon2 is not asked about novels. */
const PASSWORD_LENGTH = 200;

const name = () =>
  required(NAME_LENGTH).test(
    'seen',
    'must not have characters that cannot be seen',
    (text) => !hasUnseen(text ?? ''),
  );
const password = () => yup.string().strict().max(PASSWORD_LENGTH, 'is not right').required('is required');
const role = () =>
  yup
    .string()
    .strict()
    .oneOf(ROLES, `must be one of ${ROLES.join(', ')}`)
    .required('is required');
/** Of a passkey; the library reads it, and tells what does not fit. */
const answer = () => yup.object().required('is required');

const code = () => required(40);

export const joinSchema = body({ code: code(), name: name(), password: newPassword() });
export const codeSchema = body({ code: code() });
/** One that is still being written, and whose it is to be; a stranger shows the code they come by. */
export const strengthSchema = body({
  code: yup.string().strict().max(40, 'must have at most 40 characters'),
  password: yup
    .string()
    .strict()
    .max(LONGEST, `must have at most ${LONGEST} characters`)
    .required('is required'),
  name: yup.string().strict().max(NAME_LENGTH, `must have at most ${NAME_LENGTH} characters`),
});
/** The newest that was shown: what came after it was not seen. */
export const newsSchema = body({
  upTo: yup
    .string()
    .strict()
    .required('is required')
    .test('time', 'must be a time, as ISO 8601 has it', (text) => !Number.isNaN(Date.parse(text))),
});
export const signInSchema = body({ name: name(), password: password() });
export const proofSchema = body({ password: password() });
export const passwordSchema = body({ old: password(), password: newPassword() });
export const roleSchema = body({ role: role() });
export const passkeySchema = body({ answer: answer() });
