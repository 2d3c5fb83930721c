export { offerInEnglish, type Catalogue, type Messages, type WordKey } from './catalogue';
export { languageNames, languages, type Language } from './languages';
export { english, speak, type Words } from './speak';
