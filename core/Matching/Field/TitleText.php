<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching\Field;

use WaryHeron\Core\Bibliography\Format\Bibtex\Latex;
use WaryHeron\Core\Text\Words;

/**
 * A title as matching compares it: without markup, case, accents, punctuation and spelling habits; what says that it
 * is not the thing itself but a notice, a reply, a part or an update of it is taken out and kept apart.
 */
final readonly class TitleText
{
    /** Where the thing was that a notice speaks of: "[J. Lamps 64 (2023) 510-526]", "(vol 18, pg 1047, 2005)". */
    private const WHERE = ['/\s*\[[^\[\]]*\d{4}[^\[\]]*\]\W*$/u', '/\s*\([^()]*\d{4}[^()]*\)\W*$/u'];

    private const GREEK = [
        'α' => ' alpha ',
        'β' => ' beta ',
        'γ' => ' gamma ',
        'δ' => ' delta ',
        'ε' => ' epsilon ',
        'ζ' => ' zeta ',
        'η' => ' eta ',
        'θ' => ' theta ',
        'ι' => ' iota ',
        'κ' => ' kappa ',
        'λ' => ' lambda ',
        'μ' => ' mu ',
        'µ' => ' mu ',
        'ν' => ' nu ',
        'ξ' => ' xi ',
        'ο' => ' omicron ',
        'π' => ' pi ',
        'ρ' => ' rho ',
        'σ' => ' sigma ',
        'ς' => ' sigma ',
        'τ' => ' tau ',
        'υ' => ' upsilon ',
        'φ' => ' phi ',
        'χ' => ' chi ',
        'ψ' => ' psi ',
        'ω' => ' omega ',
        '&' => ' and ',
        '’' => '',
        "'" => '',
        '`' => '',
        'ʼ' => '',
        '‘' => '',
    ];

    private const NUMBERS = [
        'one' => '1',
        'two' => '2',
        'three' => '3',
        'four' => '4',
        'five' => '5',
        'six' => '6',
        'seven' => '7',
        'eight' => '8',
        'nine' => '9',
        'ten' => '10',
        'eleven' => '11',
        'twelve' => '12',
        'fifteen' => '15',
        'twenty' => '20',
        'thirty' => '30',
        'forty' => '40',
        'fifty' => '50',
        'sixty' => '60',
        'hundred' => '100',
        'first' => '1st',
        'second' => '2nd',
        'third' => '3rd',
        'fourth' => '4th',
        'fifth' => '5th',
        'sixth' => '6th',
        'seventh' => '7th',
        'eighth' => '8th',
        'ninth' => '9th',
        'tenth' => '10th',
    ];

    /** What a title is about itself, by the words it starts or ends with; the words are taken off. */
    private const KINDS = [
        'correction' => '/^(?:author |publisher )?(?:(?:erratum|errata|corrigend(?:um|a)|addend(?:um|a))(?: (?:to|for|in|of)\b|\s*:)|correction(?: to\b|\s*:))[\s:"“”\']*|[\s:(\[-]+(?:erratum|errata|corrigend(?:um|a)|addend(?:um|a)|correction)[)\].]*$|\(vol\.? \S+,? (?:pg|pp?)\.? \S+,? \d{4}\)$/u',
        'retraction' => '/^(?:retraction|withdrawal)(?: notice| note)?(?: (?:to|for|of)\b|\s*:)[\s:"“”\']*|[\s:(\[-]+retraction[)\].]*$/u',
        'reply' => '/^(?:in |authors?\'? ?)?(?:reply|rebuttal|response)(?:\s*:| (?:to|from)\b(?= (?:the )?(?:comment|letter|critique|editor|dr|prof|author))(?: (?:the )?(?:comments?|letters?|critique|editor|authors?)(?: (?:on|to|regarding|about|by)\b)?(?: the editor\b)?)?| to\s*:)[\s:"“”\']*|^reply to[\s:"“”\']+|[\s:;,(\[–—-]+(?:the |an? )?(?:authors?\'? ?)?(?:reply|rebuttal|response)(?: (?:to|of|from|by) (?:the )?(?:comments?|critics|authors?|letters?|editor))?[)\].]*$/u',
        'comment' => '/^(?:a |an |invited )?comment(?:ary|s)?(?: (?:on|to|about|regarding)\b|\s*:)[\s:"“”\']*|^letter to the editor(?: (?:on|about|regarding|concerning|re)\b|\s*[:;–—-])[\s:"“”\']*|^(?:re|letter)\s*:[\s:"“”\']*|[\s:(\[;–—-]+(?:an? |invited )?(?:comment|commentary|letter(?: to the editor)?)[)\].]*$/u',
        'data' => '/^(?:replication |supporting |research )?(?:data(?:set)?|code|materials?) (?:for|from|to|of)\s*:[\s"“”\']*|^supplementary (?:data|materials?|information|tables?)(?: (?:for|to|from)\b|\s*:)[\s:"“”\']*|^data from:\s*/u',
    ];

    private const UPDATE = '/\b(?:an? )?(?:updated? (?:of )?(?:an? )?(?:the )?(?:systematic |scoping |literature )?(?:review|meta-?analysis|evidence|report|synthesis|overview|findings)|update(?:\s*$| of\b| on\b)|updated(?=\s*$)|new evidence since|revisited(?=\s*$)|revised)\b/u';

    private const PART = '/\b(?:part|paper|chapter|section|phase|wave|instal?lment|no|number)\.? ?(\d{1,2}|[ivx]{1,4}|[a-h])\b|\b(\d{1,2}(?:st|nd|rd|th)|final|interim|preliminary|initial) (?:annual |progress |interim )?(?:report|results?|findings|part|paper|survey|communication|wave|follow ?up|edition|update|phase|instal?lment)\b|\breport (\d{1,2}|[ivx]{1,4})\b/u';

    private const ROMAN = [
        'i' => '1',
        'ii' => '2',
        'iii' => '3',
        'iv' => '4',
        'v' => '5',
        'vi' => '6',
        'vii' => '7',
        'viii' => '8',
        'ix' => '9',
        'x' => '10',
        'xi' => '11',
        'xii' => '12',
    ];

    /**
     * @param  string  $text  the words, one blank between
     * @param  string  $kind  what it is besides the thing itself, or ''
     * @param  string  $marks  part numbers, update marks and the like, sorted, in one line
     * @param  string  $years  years named in the title, in one line
     * @param  bool  $bracketed  given in brackets, as indexes mark a translation
     */
    private function __construct(
        public string $text,
        public string $kind,
        public string $marks,
        public string $years,
        public bool $bracketed,
    ) {
    }

    /** @return list<string> what tells a part, an update or a protocol from the work itself */
    private static function marks(string $text): array
    {
        $isUpdate = preg_match(self::UPDATE, $text) === 1 || preg_match('/\b\d{4} updated?\b/', $text) === 1;
        $marks = array_unique([
            ...self::parts($text),
            ...$isUpdate ? ['update'] : [],
            ...preg_match('/\bprotocol\b/', $text) === 1 ? ['protocol'] : [],
        ]);
        sort($marks);

        return $marks;
    }

    public static function of(string $title): self
    {
        $title = self::plain($title);
        $bracketed = preg_match('/^\[.*\]\W*$/us', $title) === 1;
        [$title, $kind] = self::withoutKind(trim($title, $bracketed ? " \t\n[]." : " \t\n."));
        $text = self::words($title);
        $marks = implode(', ', self::marks($text));
        preg_match_all('/\b(?:1[89]|20)\d\d\b/', $text, $years);

        return new self($text, $kind, $marks, implode(' ', array_unique($years[0])), $bracketed);
    }

    /** @return array{string, string} what is spoken of, and of what kind the thing is that speaks of it */
    private static function withoutKind(string $title): array
    {
        // the original under a notice of its retraction is still the original
        $title = (string) preg_replace('/^(?:retracted(?: article)?|withdrawn)\s*[:.\-–—]\s*/u', '', $title);
        $kind = '';
        foreach (self::KINDS as $name => $pattern) {
            $bare = (string) preg_replace($pattern, '', $title, -1, $count);
            if ($count > 0) {
                $kind = $kind === '' || $name === 'reply' ? $name : $kind;
                $title = trim($bare) === '' ? $title : $bare;
                $isNotice = $name === 'correction' || $name === 'retraction';
                $title = $isNotice ? (string) preg_replace(self::WHERE, '', $title) : $title;
            }
        }

        return [$title, $kind];
    }

    /** @return list<string> of which part of a work it speaks */
    private static function parts(string $text): array
    {
        $numbers = [];
        if (preg_match_all(self::PART, $text, $parts, PREG_SET_ORDER) > 0) {
            foreach ($parts as $part) {
                $number = (string) end($part);
                $plain = preg_replace('/^(\d+)(?:st|nd|rd|th)$/', '$1', $number) ?? $number;
                $numbers[] = 'part '.(self::ROMAN[$number] ?? $plain);
            }
        } elseif (preg_match('/ (ii|iii|iv|vi{0,3}|ix)$/', $text, $last) === 1) {
            $numbers[] = 'part '.self::ROMAN[$last[1]];
        }

        return $numbers;
    }

    /** Lower case without tags, entities, LaTeX and accents; punctuation stays. */
    private static function plain(string $title): string
    {
        if (str_contains($title, '&') || str_contains($title, '<')) {
            $title = html_entity_decode(
                html_entity_decode($title, ENT_QUOTES | ENT_HTML5, 'UTF-8'),
                ENT_QUOTES | ENT_HTML5,
                'UTF-8',
            );
            $title = (string) preg_replace('~</?[a-zA-Z][^<>]{0,40}>~', '', $title);
        }
        if (strpbrk($title, '\\${') !== false) {
            $title = Latex::decoded($title);
        }

        return trim(
            (string) preg_replace(
                '/\s+/u',
                ' ',
                strtr(Words::fold($title), ['’' => "'", '‘' => "'", 'ʼ' => "'", '`' => "'"]),
            ),
        );
    }

    private static function words(string $plain): string
    {
        $words = [];
        preg_match_all('/[\p{L}\p{N}]+/u', strtr($plain, self::GREEK), $found);
        foreach ($found[0] as $word) {
            $words[] = self::NUMBERS[$word] ?? (strlen($word) > 3 ? self::spelling($word) : $word);
        }

        return implode(' ', $words);
    }

    /** One spelling for what British, American and older habits write in several. */
    private static function spelling(string $word): string
    {
        $word = str_replace(
            ['ae', 'oe', 'our', 'isation', 'ising', 'ised', 'ise', 'yse', 'ysing', 'mme', 'll', 'ogue', 'ph', 'gement'],
            ['e', 'e', 'or', 'ization', 'izing', 'ized', 'ize', 'yze', 'yzing', 'm', 'l', 'og', 'f', 'gment'],
            $word,
        );

        return (string) preg_replace(['/(?<=g)e(?=ing$)/', '/tre(s?)$/'], ['', 'ter$1'], $word);
    }
}
