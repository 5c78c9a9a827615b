import Joi from 'joi';
import { CONDITIONS, type Condition, type OwnFinding } from '@bienestar/core/house/traits';

const OWN = /^own-[\p{L}\p{N}][\p{L}\p{N}-]{0,58}$/u;

/** A finding of the house's own list, by its words. */
export const ownFinding = Joi.string<OwnFinding>().pattern(OWN).required().messages({
  'string.pattern.base': 'A finding is said in words: letters, numbers and spaces between them.',
});

/** Something that may be seen under the lamp: the usual, or of the house's own list. */
export const finding = Joi.string<Condition>()
  .pattern(new RegExp(`^(?:${CONDITIONS.join('|')})$|${OWN.source}`, 'u'))
  .required()
  .messages({ 'string.pattern.base': 'Choose something that is looked for under the lamp.' });
