import type { LanguageId } from "./ids";

interface ListedLanguage {
  title: string;
  /** Where the data of xkb-data keeps it, for the script that reads it and the test that judges it. */
  layout: string;
  variant?: string;
}

export const languageList: Record<LanguageId, ListedLanguage> = {
  "en-US": { title: "English, United States", layout: "us" },
  "en-US-dead": { title: "English, United States, with dead keys", layout: "us", variant: "intl" },
  "en-GB": { title: "English, United Kingdom", layout: "gb" },
  "en-IE": { title: "English, Ireland", layout: "ie" },
  "de-DE": { title: "German", layout: "de" },
  "de-AT": { title: "German, Austria", layout: "at" },
  "de-CH": { title: "German, Switzerland", layout: "ch" },
  "fr-FR": { title: "French", layout: "fr" },
  "fr-BE": { title: "French, Belgium", layout: "be" },
  "fr-CA": { title: "French, Canada", layout: "ca" },
  "fr-CH": { title: "French, Switzerland", layout: "ch", variant: "fr" },
  "es-ES": { title: "Spanish", layout: "es" },
  "es-419": { title: "Spanish, Latin America", layout: "latam" },
  "pt-PT": { title: "Portuguese", layout: "pt" },
  "pt-BR": { title: "Portuguese, Brazil", layout: "br" },
  "it-IT": { title: "Italian", layout: "it" },
  "nl-NL": { title: "Dutch", layout: "nl" },
  "da-DK": { title: "Danish", layout: "dk" },
  "nb-NO": { title: "Norwegian", layout: "no" },
  "sv-SE": { title: "Swedish", layout: "se" },
  "fi-FI": { title: "Finnish", layout: "fi" },
  "is-IS": { title: "Icelandic", layout: "is" },
  "et-EE": { title: "Estonian", layout: "ee" },
  "lv-LV": { title: "Latvian", layout: "lv" },
  "lt-LT": { title: "Lithuanian", layout: "lt" },
  "pl-PL": { title: "Polish", layout: "pl" },
  "cs-CZ": { title: "Czech", layout: "cz" },
  "sk-SK": { title: "Slovak", layout: "sk" },
  "hu-HU": { title: "Hungarian", layout: "hu" },
  "ro-RO": { title: "Romanian", layout: "ro" },
  "sl-SI": { title: "Slovenian", layout: "si" },
  "hr-HR": { title: "Croatian", layout: "hr" },
  "sr-RS": { title: "Serbian, Cyrillic", layout: "rs" },
  "sq-AL": { title: "Albanian", layout: "al" },
  "mt-MT": { title: "Maltese", layout: "mt" },
  "tr-TR": { title: "Turkish", layout: "tr" },
  "el-GR": { title: "Greek", layout: "gr" },
  "bg-BG": { title: "Bulgarian", layout: "bg" },
  "mk-MK": { title: "Macedonian", layout: "mk" },
  "ru-RU": { title: "Russian", layout: "ru" },
  "uk-UA": { title: "Ukrainian", layout: "ua" },
  "be-BY": { title: "Belarusian", layout: "by" },
  "kk-KZ": { title: "Kazakh", layout: "kz" },
  "ka-GE": { title: "Georgian", layout: "ge" },
  "hy-AM": { title: "Armenian", layout: "am" },
  "he-IL": { title: "Hebrew", layout: "il" },
};
