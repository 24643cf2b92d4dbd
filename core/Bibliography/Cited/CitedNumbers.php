<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Cited;

/** Volume, issue, pages and year as references print them behind the name of a journal, in whatever order and style. */
final class CitedNumbers
{
    public const YEAR = '(?:1[89]|20)\d\d';

    private const RANGE = '[A-Za-z]{0,3}\d+[A-Za-z]?(?:\s?[-–—‑]\s?[A-Za-z]{0,3}\d+[A-Za-z]?)?'
        .'|[ivxlc]{1,6}\s?[-–—‑]\s?[ivxlc]{1,6}';

    /** In English, German, French, Spanish, Italian and Portuguese. */
    public const MONTH = '(?:(?i:Jan(?:uary|uar|vier|eiro)?|Febr?(?:uary|uar|rero|braio)?|F[ée]vr?(?:ier)?|Mar(?:ch|s|zo|ço)?|Maio'
        .'|Mär(?:z)?|Apr(?:il|ile)?|A[vb]r(?:il)?|May|Mai|Mayo|Maggio|Jun[ei]?|Junho|Julho|Juin|Junio|Giugno|Jul[yi]?|Juil(?:let)?'
        .'|Julio|Luglio|Aug(?:ust)?|Ago(?:sto)?|Ao[uû]t|Sept?(?:ember|embre|tembre|tiembre)?|Set(?:embro|tembre)?'
        .'|O[ck]t(?:ober|obre|ubre)?|Out(?:ubro)?|Nov(?:ember|embre|iembre|embro)?|De[cz](?:ember|embre|embro)?'
        .'|D[ée]c(?:embre)?|Dic(?:iembre|embre)?|Ene(?:ro)?)(?!\p{L})\.?|Spring|Summer|Autumn|Fall|Winter)';

    /** What numbers begin with. */
    public const BEGINS = '(?:(?:[vnH]|Jg)\.\s?\d'
        .'|(?i:vol|no|nr|suppl|pp?|Bd|Jg)\b\.?\s?\d|(?:'.self::MONTH.')[^.;]{0,12}\d|(?i:published online|in press|forthcoming|ahead of print))';

    /** What is read one after the other, with what it tells; the first that fits. */
    private const TOKENS = [
        'date' => '/^(?:\d{1,2}\.?\s)?(?:'.self::MONTH.')(?:\s?[-–\/]\s?(?:'.self::MONTH.'))?(?:\s\d{1,2}(?:\s?[-–]\s?\d{1,2})?(?![\d(:]))?,?/u',
        'volume' => '/^(?:vol(?:ume)?|v|Bd|Jg|tome|t)\b\.?\s?(?<told>[A-Za-z]?\d+\w?)/iu',
        'issue' => '/^(?:no|nr|nº|n°|nᵒ|n|iss(?:ue)?|núm|fasc|Heft|H)\.?\s?(?<told>\d[\w–-]*)/iu',
        'supplement' => '/^(?<told>Suppl(?:ement)?\b\.?(?:\s?\w{1,4})?)/iu',
        'pages' => '/^(?:(?:pp?|págs?)\.?\s?|S\.\s?|Seiten?\s|Art(?:icle|\.)?(?:\s(?:no|ID)\.?)?\s)(?<told>'.self::RANGE.')/iu',
        'issue of year' => '/^(?<told>\d{1,3})\s?\/\s?(?='.self::YEAR.')/u',
        'slash' => '/^\/(?<told>\d{1,3})(?!\d)/u',
        'slashed' => '/^(?<told>\d{1,4}\/\d{1,3})(?![\d\/])/u',
        'brackets' => '/^\((?<told>[^()]{1,30})\)/u',
        'year' => '/^(?<told>'.self::YEAR.')[a-z]?(?![\w–-])/u',
        'number' => '/^(?<told>'.self::RANGE.')(?![\p{L}\d])/u',
        'section' => '/^(?:Sect(?:ion)?\.?|Pt\.?|Part)\s(?<told>\w{1,3}(?::\w{1,4})?)(?:\s\(col\.? \d\))?/u',
        'words' => '/^(?:published online|epub(?: ahead of print)?|ahead of print|in press|forthcoming|online first'
            .'|advance online publication|online)\b/iu',
    ];

    public string $volume = '';

    public string $issue = '';

    public string $pages = '';

    public ?int $year = null;

    public bool $haveDay = false;

    private function __construct()
    {
    }

    /** Null where anything in the text is no such number. */
    public static function read(string $text): ?self
    {
        $numbers = new self();
        do {
            preg_match('/^[\s.,;:]*/u', $text, $sign);
            $text = substr($text, strlen($sign[0] ?? ''));
            if ($text === '') {
                return $numbers;
            }
        } while ($numbers->takesNext($text, $sign[0] ?? ''));

        return null;
    }

    /** Whether there is more than a year. */
    public function haveVolume(): bool
    {
        return $this->volume.$this->pages !== '';
    }

    /**
     * @param  string  $text  what is left of it afterwards
     * @param  string  $sign  what stands before it
     */
    private function takesNext(string &$text, string $sign): bool
    {
        foreach (self::TOKENS as $kind => $pattern) {
            if (preg_match($pattern, $text, $found) === 1) {
                $text = substr($text, strlen($found[0]));

                return $this->takes($kind, $found['told'] ?? '', str_contains($sign, ':'));
            }
        }

        return false;
    }

    private function takes(string $kind, string $told, bool $isBehindColon): bool
    {
        return match ($kind) {
            'words' => true,
            'date' => $this->sets('haveDay', true),
            'brackets' => $this->takesBrackets($told),
            'year' => $isBehindColon || $this->year !== null
                ? $this->takesNumber($told, $isBehindColon)
                : $this->sets('year', (int) $told),
            'number' => $this->takesNumber($told, $isBehindColon),
            'slash' => $this->volume !== '' && $this->issue === '' && $this->sets('issue', $told),
            'slashed' => $this->volume === '' && $this->takesSlashed($told),
            'issue of year' => $this->sets('issue', $told),
            'section' => $this->pages !== '' || $this->sets('pages', $told),
            'supplement' => $this->sets('issue', trim("{$this->issue} {$told}")),
            default => $this->sets($kind, $told),
        };
    }

    /** “114/2” */
    private function takesSlashed(string $told): bool
    {
        [$this->volume, $this->issue] = explode('/', $told);

        return true;
    }

    /** “(2)” behind a volume, “(2004)”, “(Winter 1998)” */
    private function takesBrackets(string $told): bool
    {
        if (preg_match('/^(\d{1,3})\. (?:Jg|Jahrg)/u', $told, $found) === 1) {
            return $this->sets('volume', $found[1]);
        }
        if (preg_match('/^'.self::MONTH.'$/u', $told) === 1) {
            return true;
        }
        if (preg_match('/\b'.self::YEAR.'\b/', $told, $found) === 1) {
            return $this->sets('year', (int) $found[0]);
        }

        $isOfNoVolume = $this->year !== null && preg_match('/^\d{1,3}$/', $told) === 1;

        return $this->issue === '' && ($this->volume !== '' || $isOfNoVolume) && $this->sets('issue', $told);
    }

    private function takesNumber(string $told, bool $isBehindColon): bool
    {
        $isWhole = preg_match('/^\d{1,4}$/', $told) === 1;
        $arePages = $this->volume !== '' || ($isBehindColon && ! $isWhole) || preg_match('/[-–—‑]/u', $told) === 1;

        // “81, 5, 1011-1019”
        if ($this->issue === '' && preg_match('/^\d+$/', $this->pages) === 1) {
            [$this->issue, $this->pages] = [$this->pages, ''];
        }

        return $arePages ? $this->pages === '' && $this->sets('pages', $told) : $this->sets('volume', $told);
    }

    private function sets(string $what, string|int|bool $told): bool
    {
        $this->{$what} = $told;

        return true;
    }
}
