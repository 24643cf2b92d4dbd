<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Place;

/** The countries of the world as running text names them. */
final class Countries
{
    /** By name: how it is written, and the adjective, as patterns. */
    private const NAMES = [
        'Afghanistan' => ['Afghanistan', 'Afghan'],
        'Albania' => ['Albania', 'Albanian'],
        'Algeria' => ['Algeria', 'Algerian'],
        'Argentina' => ['Argentina', 'Argentin(?:e|ian)'],
        'Armenia' => ['Armenia', 'Armenian'],
        'Australia' => ['Australia', 'Australian'],
        'Austria' => ['Austria', 'Austrian'],
        'Azerbaijan' => ['Azerbaijan', 'Azerbaijani'],
        'Bahrain' => ['Bahrain', 'Bahraini'],
        'Bangladesh' => ['Bangladesh', 'Bangladeshi'],
        'Belarus' => ['Belarus', 'Belarusian'],
        'Belgium' => ['Belgium', 'Belgian'],
        'Benin' => ['Benin', 'Beninese'],
        'Bolivia' => ['Bolivia', 'Bolivian'],
        'Bosnia and Herzegovina' => ['Bosnia and Herzegovina', 'Bosnian'],
        'Botswana' => ['Botswana', ''],
        'Brazil' => ['Brazil', 'Brazilian'],
        'Bulgaria' => ['Bulgaria', 'Bulgarian'],
        'Burkina Faso' => ['Burkina Faso', 'Burkinab[eé]'],
        'Burundi' => ['Burundi', 'Burundian'],
        'Cambodia' => ['Cambodia', 'Cambodian'],
        'Cameroon' => ['Cameroon', 'Cameroonian'],
        'Canada' => ['Canada', 'Canadian'],
        'Chile' => ['Chile', 'Chilean'],
        'China' => ['China|Hong Kong', 'Chinese(?! (?:herb\w*|medicine|tea|restaurant))'],
        'Colombia' => ['Colombia', 'Colombian'],
        'Costa Rica' => ['Costa Rica', 'Costa Rican'],
        'Croatia' => ['Croatia', 'Croatian'],
        'Cuba' => ['Cuba', 'Cuban'],
        'Cyprus' => ['Cyprus', 'Cypriot'],
        'Czech Republic' => ['Czech Republic|Czechia', 'Czech'],
        'Denmark' => ['Denmark', 'Danish'],
        'Dominican Republic' => ['Dominican Republic', ''],
        'Ecuador' => ['Ecuador', 'Ecuadorian'],
        'Egypt' => ['Egypt', 'Egyptian'],
        'El Salvador' => ['El Salvador', 'Salvadoran'],
        'Estonia' => ['Estonia', 'Estonian'],
        'Ethiopia' => ['Ethiopia', 'Ethiopian'],
        'Fiji' => ['Fiji', 'Fijian'],
        'Finland' => ['Finland', 'Finnish'],
        'France' => ['France', 'French'],
        'Gambia' => ['Gambia', 'Gambian'],
        'Georgia' => ['Georgia(?!,? (?:USA|U\.S|United States))', ''],
        'Germany' => ['Germany', 'German'],
        'Ghana' => ['Ghana', 'Ghanaian'],
        'Greece' => ['Greece', 'Greek'],
        'Guatemala' => ['Guatemala', 'Guatemalan'],
        'Haiti' => ['Haiti', 'Haitian'],
        'Honduras' => ['Honduras', 'Honduran'],
        'Hungary' => ['Hungary', 'Hungarian'],
        'Iceland' => ['Iceland', 'Icelandic'],
        'India' => ['India', 'Indian'],
        'Indonesia' => ['Indonesia', 'Indonesian'],
        'Iran' => ['Iran', 'Iranian'],
        'Iraq' => ['Iraq', 'Iraqi'],
        'Ireland' => ['(?<!Northern )Ireland', '(?<!Northern )Irish'],
        'Israel' => ['Israel', 'Israeli'],
        'Italy' => ['Italy', 'Italian'],
        'Ivory Coast' => ['Ivory Coast|Côte d[’\']Ivoire', 'Ivorian'],
        'Jamaica' => ['Jamaica', 'Jamaican'],
        'Japan' => ['Japan', 'Japanese'],
        'Jordan' => ['Jordan', 'Jordanian'],
        'Kazakhstan' => ['Kazakhstan', 'Kazakh'],
        'Kenya' => ['Kenya', 'Kenyan'],
        'Kosovo' => ['Kosovo', 'Kosovan'],
        'Kuwait' => ['Kuwait', 'Kuwaiti'],
        'Laos' => ['Laos', 'Lao'],
        'Latvia' => ['Latvia', 'Latvian'],
        'Lebanon' => ['Lebanon', 'Lebanese'],
        'Liberia' => ['Liberia', 'Liberian'],
        'Libya' => ['Libya', 'Libyan'],
        'Lithuania' => ['Lithuania', 'Lithuanian'],
        'Luxembourg' => ['Luxembourg', ''],
        'Madagascar' => ['Madagascar', 'Malagasy'],
        'Malawi' => ['Malawi', 'Malawian'],
        'Malaysia' => ['Malaysia', 'Malaysian'],
        'Mali' => ['Mali', 'Malian'],
        'Malta' => ['Malta', 'Maltese'],
        'Mexico' => ['(?<!New )Mexico', 'Mexican'],
        'Moldova' => ['Moldova', 'Moldovan'],
        'Mongolia' => ['Mongolia', 'Mongolian'],
        'Montenegro' => ['Montenegro', 'Montenegrin'],
        'Morocco' => ['Morocco', 'Moroccan'],
        'Mozambique' => ['Mozambique', 'Mozambican'],
        'Myanmar' => ['Myanmar', 'Burmese'],
        'Namibia' => ['Namibia', 'Namibian'],
        'Nepal' => ['Nepal', 'Nepal(?:ese|i)'],
        'Netherlands' => ['Netherlands|Holland', 'Dutch'],
        'New Zealand' => ['New Zealand', ''],
        'Nicaragua' => ['Nicaragua', 'Nicaraguan'],
        'Niger' => ['Niger', ''],
        'Nigeria' => ['Nigeria', 'Nigerian'],
        'North Macedonia' => ['North Macedonia|Macedonia', 'Macedonian'],
        'Norway' => ['Norway', 'Norwegian'],
        'Oman' => ['Oman', 'Omani'],
        'Pakistan' => ['Pakistan', 'Pakistani'],
        'Palestine' => ['Palestine', 'Palestinian'],
        'Panama' => ['Panama', 'Panamanian'],
        'Papua New Guinea' => ['Papua New Guinea', ''],
        'Paraguay' => ['Paraguay', 'Paraguayan'],
        'Peru' => ['Peru', 'Peruvian'],
        'Philippines' => ['Philippines', 'Filipino'],
        'Poland' => ['Poland', 'Polish'],
        'Portugal' => ['Portugal', 'Portuguese'],
        'Qatar' => ['Qatar', 'Qatari'],
        'Romania' => ['Romania', 'Romanian'],
        'Russia' => ['Russia|Russian Federation', 'Russian'],
        'Rwanda' => ['Rwanda', 'Rwandan'],
        'Saudi Arabia' => ['Saudi Arabia', 'Saudi'],
        'Senegal' => ['Senegal', 'Senegalese'],
        'Serbia' => ['Serbia', 'Serbian'],
        'Sierra Leone' => ['Sierra Leone', ''],
        'Singapore' => ['Singapore', 'Singaporean'],
        'Slovakia' => ['Slovakia', 'Slovak'],
        'Slovenia' => ['Slovenia', 'Slovenian?'],
        'Somalia' => ['Somalia', 'Somali'],
        'South Africa' => ['South Africa', 'South African'],
        'South Korea' => ['South Korea|Republic of Korea|Korea', '(?:South )?Korean'],
        'Spain' => ['Spain', 'Spanish'],
        'Sri Lanka' => ['Sri Lanka', 'Sri Lankan'],
        'Sudan' => ['Sudan', 'Sudanese'],
        'Sweden' => ['Sweden', 'Swedish'],
        'Switzerland' => ['Switzerland', 'Swiss'],
        'Syria' => ['Syria', 'Syrian'],
        'Taiwan' => ['Taiwan', 'Taiwanese'],
        'Tanzania' => ['Tanzania', 'Tanzanian'],
        'Thailand' => ['Thailand', 'Thai'],
        'Togo' => ['Togo', 'Togolese'],
        'Trinidad and Tobago' => ['Trinidad and Tobago', 'Trinidadian'],
        'Tunisia' => ['Tunisia', 'Tunisian'],
        'Turkey' => ['Turkey|Türkiye', 'Turkish'],
        'Uganda' => ['Uganda', 'Ugandan'],
        'Ukraine' => ['Ukraine', 'Ukrainian'],
        'United Arab Emirates' => ['United Arab Emirates|UAE', 'Emirati'],
        'United Kingdom' => [
            'United Kingdom|UK|U\.K\.|Great Britain|England|Scotland|Wales|Northern Ireland|Scottish|Welsh',
            'British|English(?= (?:(?:\p{Ll}+ )?(?:nurses|doctors|staff|workers|teachers|drivers|patients|adults|women|men|children'
                .'|hospitals?|wards?|trusts|schools?|clinics|homes|count(?:y|ies)|cohort|cit(?:y|ies)|towns?)))',
        ],
        'United States' => ['United States|USA|U\.S\.A?\.|US|United States of America|American', ''],
        'Uruguay' => ['Uruguay', 'Uruguayan'],
        'Uzbekistan' => ['Uzbekistan', 'Uzbek'],
        'Venezuela' => ['Venezuela', 'Venezuelan'],
        'Vietnam' => ['Vietnam|Viet Nam', 'Vietnamese'],
        'Yemen' => ['Yemen', 'Yemeni'],
        'Zambia' => ['Zambia', 'Zambian'],
        'Zimbabwe' => ['Zimbabwe', 'Zimbabwean'],
    ];

    /** Parts of large countries by which papers say where they were; scales and tests are called after some. */
    private const REGIONS = [
        'Australia' => 'New South Wales|Queensland|Tasmania|South Australia|Western Australia|Northern Territory',
        'Canada' => 'Ontario|Qu[eé]bec|British Columbia|Alberta|Manitoba|Saskatchewan|Nova Scotia|New Brunswick'
            .'|Newfoundland',
        'China' => 'Guangdong|Sichuan|Shandong|Zhejiang|Jiangsu|Hubei|Hunan|Henan|Fujian|Shaanxi|Liaoning|Yunnan',
        'Germany' => 'Bavaria|Saxony|Thuringia|Hesse|Brandenburg|Baden-W[üu]rttemberg|North Rhine-Westphalia',
        'India' => 'Kerala|Tamil Nadu|Karnataka|Maharashtra|Gujarat|Punjab|Rajasthan|Uttar Pradesh|West Bengal',
        'Italy' => 'Lombardy|Piedmont|Veneto|Tuscany|Emilia-Romagna|Sicily|Sardinia|Apulia',
        'Spain' => 'Catalonia|Andalusia|Galicia|the Basque Country|Asturias|Castile',
        'United States' => 'Alabama|Alaska|Arizona|Arkansas|California|Colorado|Connecticut|Delaware|Florida|Hawaii'
            .'|Idaho|Illinois|Indiana|Iowa|Kansas|Kentucky|Louisiana|Maine|Maryland|Massachusetts|Michigan|Minnesota'
            .'|Mississippi|Missouri|Montana|Nebraska|Nevada|New Hampshire|New Jersey|New Mexico|North Carolina'
            .'|North Dakota|Ohio|Oklahoma|Oregon|Pennsylvania|Rhode Island|South Carolina|South Dakota|Tennessee|Texas'
            .'|Utah|Vermont|Virginia|Wisconsin|Wyoming',
    ];

    /** Where a region stands that is a place. */
    private const IN_REGION = '(?:\b(?:in|across|from|throughout|within|of|and)|,)\s(?:the )?(?:(?:state|province) of )?';

    /** What comes from a country or is called after it, wherever people are. */
    private const NO_PLACE = ' (?:version|translation|language|questionnaire|validation|scale|speaking|made'
        .'|spruce|oak|pine|steel)';

    /** What stands between two of several. */
    private const NEXT = '/^(?:\s*\([^()]*\))?\s*(?:,|;|&|,?\s*(?:and|as well as))'
        .'(?:\s+(?:[\p{Ll}\d]+\s+){0,2}(?:in|of))?(?:\s+the)?\s+(?:\p{Lu}[\p{L}-]+,\s+)?$/u';

    private static ?string $any = null;

    /** @return array<string, bool> the countries that a text names, and whether it names them or only their adjective */
    public static function in(string $text): array
    {
        self::$any ??= self::any();

        return preg_match(self::$any, $text) === 1 ? self::named($text) + self::byRegion($text) : [];
    }

    /**
     * Countries that a text names one after the other, as where a study was done in several: “Sweden, Denmark and
     * Finland”, “Italy (three sites) and Spain (two sites)”.
     *
     * @return list<string> in the order of names; empty where no two stand together
     */
    public static function together(string $text): array
    {
        $named = array_keys(array_filter(self::in($text)));
        $places = count($named) < 2 ? [] : self::places($text, $named);
        $best = $run = [];
        $end = -1;
        foreach ($places as $at => $place) {
            $between = $end < 0 ? '' : substr($text, $end, max(0, $at - $end));
            $run = $end >= 0 && preg_match(self::NEXT, $between) === 1 ? [...$run, $place->country] : [$place->country];
            $end = $at + $place->length;
            $best = count($run) > count($best) ? $run : $best;
        }
        $best = array_values(array_unique($best));
        sort($best);

        return count($best) > 1 ? $best : [];
    }

    /**
     * @param  list<string>  $countries
     * @return array<int, NamedCountry> by where they stand, in bytes
     */
    private static function places(string $text, array $countries): array
    {
        $places = [];
        foreach ($countries as $country) {
            $names = self::NAMES[$country][0];
            preg_match_all("/(?<![\\p{L}-])(?:{$names})(?![\\p{L}])/u", $text, $found, PREG_OFFSET_CAPTURE);
            foreach ($found[0] as [$said, $at]) {
                $places[$at] = new NamedCountry($country, strlen($said));
            }
        }
        ksort($places);

        return $places;
    }

    /** @return array<string, bool> */
    private static function byRegion(string $text): array
    {
        $found = [];
        foreach (self::REGIONS as $country => $regions) {
            $place = '/'.self::IN_REGION."(?:{$regions})(?![\\p{L}-])(?! (?:\\p{Lu}|scales?|tests?|index))/u";
            $found += preg_match($place, $text) === 1 ? [$country => false] : [];
        }

        return $found;
    }

    /** @return array<string, bool> */
    private static function named(string $text): array
    {
        $thing = self::NO_PLACE;
        $found = [];
        foreach (self::NAMES as $country => [$names, $adjective]) {
            if (preg_match("/(?<![\\p{L}-])(?:{$names})(?![\\p{L}])/u", $text) === 1) {
                $found[$country] = true;
            } elseif (
                $adjective !== '' &&
                preg_match(
                    "/(?<![\\p{L}-])(?:{$adjective})(?![\\p{L}])(?!{$thing})/u",
                    $text,
                ) === 1
            ) {
                $found[$country] = false;
            }
        }

        return $found;
    }

    /** Any name or adjective at all: most texts have none. */
    private static function any(): string
    {
        $patterns = [...array_merge(...array_values(self::NAMES)), ...array_values(self::REGIONS)];
        $patterns = array_filter($patterns, fn (string $one): bool => $one !== '');

        return '/(?<![\p{L}-])(?:'.implode('|', $patterns).')(?![\p{L}])/u';
    }
}
