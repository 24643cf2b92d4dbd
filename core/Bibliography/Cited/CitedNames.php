<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Cited;

use WaryHeron\Core\Bibliography\Name;

/** The names that a reference begins with, in whatever style, and what stands behind them. */
final readonly class CitedNames
{
    private const PARTICLE = '(?:van|von|vom|der|den|de|del|della|di|da|do|dos|das|du|des|la|las|los|le|el|al|bin|ibn|ter|ten|te'
        .'|zu|zur|zum|af|av|Van|Von|De|Di|La|Le|St\.)';

    /** As some styles set them behind the given name: “Cruz, M. J. de la” */
    private const LOW = 'van|von|vom|der|den|de|del|della|di|da|do|dos|du|la|las|los|le|ter|ten|te|zu|zur|af|av';

    private const FAMILY = '(?:(?:'.self::PARTICLE.'|\p{Lu}[\p{L}’\'-]+)\s){0,3}?(?:\p{L}{1,3}[’\'-])?\p{Lu}[\p{L}’\'-]+';

    private const GIVEN = '(?!(?:The|An?|Der|Die|Das|On|In|For)\b)(?:\p{Lu}\.\s)?'
        .'\p{Lu}(?:\p{Ll}|\p{Lu}{2})[\p{L}’\'-]*(?:\s(?:\p{Lu}\.|\p{Lu}(?:\p{Ll}|\p{Lu}{2})[\p{L}’\'-]*))*';

    private const SUFFIX = '(?:,?\s(?<suffix>Jr|Sr|II|III|IV)\b\.?)?'
        .'(?:\s(?<behind>(?:'.self::LOW.')(?:\s(?:'.self::LOW.'))?)(?![\p{L}’]))?';

    /** What may follow a name that no full stop of its initials ends. */
    private const END = '(?=\.?\s*(?:[,;:.&([“"‘«\/…]|$)|\s\d{4}[a-z]?\b|\seditors?\b|\s+(?:and|et|y|e|und|och|og|en)\s|\s+et\s+al)';

    /** “Kolbe, A. B.”, “van der Berg, J.-P.” */
    private const DOTTED = '/^(?<family>'.self::FAMILY.'),\s(?<given>(?:\p{Lu}\p{Ll}?\.[ -]?){0,3}\p{Lu}\p{Ll}?\.)'.self::SUFFIX.'/u';

    /** “Kolbe AB”, “Kolbe A.B.”, “de la Cruz-Ibáñez AM” */
    private const INDEXED = '/^(?<family>'.self::FAMILY.'),?\s(?<given>(?:\p{Lu}\.-?){2,4}(?=[\s,;])|(?:\p{Lu}\.\s){1,3}\p{Lu}(?=\.)'
        .'|\p{Lu}{1,3}(?:[ -]\p{Lu}{1,2})?)'.self::SUFFIX.'(?(?<=\.)|'.self::END.')/u';

    /** “A. B. Kolbe” */
    private const CALLED = '/^(?!Eds?\.)(?<given>(?:\p{Lu}\p{Ll}?\.[ -]?){1,4})(?<family>'.self::FAMILY.')'.self::SUFFIX.self::END.'/u';

    /** “AB Kolbe” */
    private const INITIALLED = '/^(?<given>\p{Lu}{1,3}(?:-\p{Lu})?)\s(?<family>'.self::FAMILY.')'.self::SUFFIX.self::END.'/u';

    /** “Kolbe, Anna B.” */
    private const IN_FULL = '/^(?<family>'.self::FAMILY.'),\s(?<given>'.self::GIVEN.')'.self::END.'/u';

    /** “Anna B. Kolbe”, among others that are in full */
    private const AS_CALLED = '/^(?<given>'.self::GIVEN.')\s(?<family>(?:'.self::PARTICLE.'\s){0,3}\p{Lu}[\p{L}’\'-]+)'.self::END.'/u';

    /** “NIGHTFALL Group”, after people */
    private const GROUP = '/^(?:the\s)?(?<family>\p{Lu}[^.;,:(]{1,80}\b(?:Group|Investigators|Collaborators|Consortium|Team|Network|Committee))'
        .'(?<given>)'.self::END.'/u';

    /** “Night Council”, “National Institute for Lamps and Light (NILL)”, “NILL” */
    private const BODY = '/^(?<family>(?:\p{Lu}[\p{L}’\'-]++(?:[ ,]+(?:of|for|the|and|on|in|&|de|la|für|der|des)\b)*+[ ,]*+){2,10}'
        .'(?:\(\p{Lu}{2,10}\))?|\p{Lu}{2,8})(?<given>)'
        .'(?=[.:]\s|;\s\p{Lu}|\s?\((?:(?:\p{L}+\s)?\d{4}|n\.|in press)|\.?$|,\s?[“"‘])/u';

    /** Whatever stands before “. 2004.” or “ (2004)” */
    private const ISSUER = '/^(?<family>\p{L}(?:[^.;:“”"]|\.(?!\s)){1,79}?)(?<given>)'
        .'(?=[.,]?\s\(?(?:1[89]|20)\d\d[a-z]?[).,:])/u';

    /** “Night Work Agency, ”, “Night Work Agency 2004”: believed where its words are those of bodies */
    private const BODY_AHEAD = '/^(?<family>(?:\p{Lu}[\p{L}’\'-]++(?:\s(?:of|for|the|and|on|in|de|für)\b)*+\s?+){2,8})(?<given>)'
        .'(?=,\s|(?<=\s)\d{4}\b)/u';

    /** Which forms may follow names of a form. */
    private const FOLLOWS = [
        'dotted' => ['dotted', 'called', 'indexed', 'group'],
        'indexed' => ['indexed', 'dotted', 'group'],
        'called' => ['called', 'group'],
        'initialled' => ['initialled', 'group'],
        'in full' => ['as called', 'in full', 'called', 'group'],
        'as called' => ['as called', 'called', 'group'],
        'in full each' => ['in full each', 'group'],
        'body' => ['body', 'group'],
    ];

    /** Which forms names at the beginning of a reference may have. */
    private const AHEAD = [
        'dotted', 'indexed', 'called', 'initialled', 'in full', 'in full each', 'as called', 'body', 'issuer', 'body ahead',
    ];

    private const FORMS = [
        'dotted' => self::DOTTED,
        'indexed' => self::INDEXED,
        'called' => self::CALLED,
        'initialled' => self::INITIALLED,
        'in full' => self::IN_FULL,
        'in full each' => self::IN_FULL,
        'as called' => self::AS_CALLED,
        'group' => self::GROUP,
        'body' => self::BODY,
        'issuer' => self::ISSUER,
        'body ahead' => self::BODY_AHEAD,
    ];

    private const BETWEEN = '/^\.?\s*(?:[,;]\s*(?:(?:&|and|y|et|e|und|och|og|en|ve|i)\s+)?'
        .'|\s(?:&|and|y|et|e|und|och|og|en|ve|i)\s+|\/\s?|\s?(?:…|\.\s\.\s\.)\s?)'
        .'(?:(?:\.\s?\.\s?\.|…)\s*,?\s*(?:&\s*)?)?/u';

    private const OTHERS = '/^\.?[,;]?\s*(?:(?i:et\s+al)\b|and\s+others\b|y\s+otros\b|e\s+colab\b|u\.\s?a|等)\.?/u';

    private const BEHALF = '/^[,;]?\s*(?:for|on behalf of)\s+the\s+(\p{Lu}[^.;,:(]{2,80})/u';

    /** What else than writing they did. */
    private const ROLE = '/^,\s(?:inventors?|cartographers?|compilers?|directors?|producers?|presenters?|performers?)\b'
        .'(?:;\s[^;]{2,80}?, assignees?)?/u';

    private const EDITORS = '/^[,.]?\s*(?:[(\[](?:eds?|editors?|editores|hrsg|hg|éds?|dirs?|coords?|orgs?|comps?)\.?[)\]]'
        .'|(?:eds|ed|editors?|editores|hrsg|hg)\b\.?)/iu';

    /**
     * @param  non-empty-list<Name>  $names
     * @param  string  $rest  what stands behind them
     * @param  bool  $areCertain  whether their initials show that they are names
     * @param  string  $form  how they are written
     */
    private function __construct(
        public array $names,
        public string $rest,
        public bool $areEditors,
        public bool $areCertain,
        public string $form,
    ) {
    }

    /** Null where a text does not begin with names. */
    public static function ahead(string $text): ?self
    {
        foreach (['dotted', 'indexed', 'called', 'in full', 'body'] as $form) {
            $names = self::inForm($form, $text);
            if ($names !== null) {
                return $names;
            }
        }

        return null;
    }

    /**
     * All that the beginning of a reference may say of names, where a text is known to be one.
     *
     * @return array<string, self> by form
     */
    public static function readings(string $text): array
    {
        $read = fn (string $form): ?self => self::inForm($form, $text);
        $readings = array_map($read, array_combine(self::AHEAD, self::AHEAD));
        $isSure = fn (?self $one): bool => $one?->form !== 'body ahead' || Name::isBody($one->names[0]->family);

        return array_filter($readings, fn (?self $one): bool => $one !== null && $isSure($one));
    }

    /** As notes and those who name editors have them: “Ines Okafor and Lena Ek”. */
    public static function called(string $text): ?self
    {
        return self::inForm('as called', $text) ?? self::ahead($text);
    }

    private static function inForm(string $form, string $text): ?self
    {
        $first = self::take($form, $text);
        if ($first === null) {
            return null;
        }
        $names = [$first, ...self::following($form, $text), ...self::others($text)];
        $text = (string) preg_replace(self::ROLE, '', $text);
        $rest = (string) preg_replace(self::EDITORS, '', $text);

        return new self($names, $rest, $rest !== $text, in_array($form, ['dotted', 'indexed', 'called'], true), $form);
    }

    /**
     * @param  string  $rest  what is left behind them
     * @return list<Name>
     */
    private static function following(string $form, string &$rest): array
    {
        $names = [];
        while (preg_match(self::BETWEEN, $rest, $between) === 1) {
            $behind = substr($rest, strlen($between[0]));
            $next = null;
            // “Lind, Ora/Ost, Pim”: all in one form
            $forms = str_contains($between[0], '/') ? [$form] : self::FOLLOWS[$form] ?? [];
            foreach ($forms as $follows) {
                $next ??= self::take($follows, $behind);
            }
            if ($next === null) {
                break;
            }
            $names[] = $next;
            $rest = $behind;
        }

        return $names;
    }

    /** @return list<Name> those who are not named, and for whom all of them write */
    private static function others(string &$rest): array
    {
        $names = [];
        if (preg_match(self::OTHERS, $rest, $found) === 1) {
            $names[] = new Name('et al.');
            $rest = substr($rest, strlen($found[0]));
        }
        if (preg_match(self::BEHALF, $rest, $found) === 1) {
            $names[] = new Name($found[1]);
            $rest = substr($rest, strlen($found[0]));
        }

        return $names;
    }

    private static function take(string $form, string &$text): ?Name
    {
        if (preg_match(self::FORMS[$form], $text, $found) !== 1) {
            return null;
        }
        $text = substr($text, strlen($found[0]));

        $family = trim(($found['behind'] ?? '').' '.trim($found['family'], ' ,'));

        return new Name($family, trim($found['given']), $found['suffix'] ?? '');
    }
}
