<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching;

use WaryHeron\Core\Bibliography\Doi;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Bibliography\SourceField;
use WaryHeron\Core\Matching\Field\PageSpan;
use WaryHeron\Core\Matching\Field\TitleText;
use WaryHeron\Core\Text\Words;

/** Makes fingerprints of references; journal names are worked out once each. */
final class Fingerprints
{
    /** What formats keep beside a reference that says of what genre it is. */
    private const GENRE_FIELDS = ['TY', 'M3', 'PT', 'document type', 'genre', 'type', 'entrytype', 'note'];

    private const AUTHORS = 8;

    /** Words that journals' abbreviations leave out. */
    private const SMALL = [
        'of' => 1,
        'the' => 1,
        'and' => 1,
        'in' => 1,
        'for' => 1,
        'on' => 1,
        'de' => 1,
        'des' => 1,
        'du' => 1,
        'la' => 1,
        'le' => 1,
        'les' => 1,
        'et' => 1,
        'y' => 1,
        'e' => 1,
        'der' => 1,
        'die' => 1,
        'und' => 1,
        'fur' => 1,
        'del' => 1,
        'el' => 1,
        'da' => 1,
        'do' => 1,
        'di' => 1,
        'to' => 1,
        'an' => 1,
        'with' => 1,
    ];

    /** Fields that name other works: what is a comment on what, where an erratum is. */
    private const RELATED = [
        'CIN',
        'CON',
        'EIN',
        'EFR',
        'RIN',
        'ROF',
        'UIN',
        'UOF',
        'DDIN',
        'DRIN',
        'SPIN',
        'ORI',
        'RPI',
        'RPF',
        'CRI',
        'CRF',
        'crossref',
        'related',
    ];

    /** Fields that hold the title in another language. */
    private const OTHER_TITLES = [
        'TT',
        'OP',
        'T0',
        'ST',
        'original title',
        'original_title',
        'originaltitle',
        'translated title',
        'translatedtitle',
        'title_original',
        'vernacular title',
        'titleaddon',
        'origtitle',
    ];

    /** @var array<string, string> */
    private array $journals = [];

    public function of(Reference $reference, string $key): Fingerprint
    {
        $title = TitleText::of($reference->fullTitle());
        $people = $reference->authors !== [] ? $reference->authors : $reference->editors;
        $names = array_values(
            array_filter(
                $people,
                fn (Name $name): bool => preg_match(
                    '/^\s*(?:et\.? al|and others|others|\.{3}|anon)/iu',
                    $name->family,
                ) !== 1,
            ),
        );
        [$doi, $elsewhere] = $this->doi($reference);

        return new Fingerprint(
            $key,
            $title,
            $this->otherTitles($reference),
            array_map($this->name(...), array_slice($names, 0, self::AUTHORS)),
            count($names),
            count($names) < count($people),
            $reference->year,
            array_values(
                array_unique(
                    array_filter(
                        [$this->journal($reference->journal), $this->journal($reference->journalShort)],
                        fn (string $name): bool => $name !== '',
                    ),
                ),
            ),
            self::volume($reference->volume),
            self::volume($reference->issue),
            PageSpan::of($reference->firstPage, $reference->lastPage),
            $doi,
            $elsewhere,
            $this->sentences($reference->abstract),
            $this->genre($reference),
        );
    }

    /** "Vol. 12", "Suppl 3", "S3" and "4/5" in one manner. */
    private static function volume(string $text): string
    {
        $text = strtolower($text);
        $text = (string) preg_replace(
            [
                '/\b(?:volume|vol|no|number|issue|nr|iss|heft|bd|band)\b\.?/',
                '/\bs(?:uppl(?:ement)?)?\.?\s*(?=\d|[a-z]\b|$)/',
                '/[^a-z0-9]+/',
            ],
            ['', 's', '-'],
            $text,
        );

        return ltrim(trim($text, '-'), '0');
    }

    /** @return array{string, string, string} */
    private function name(Name $name): array
    {
        $family = $name->family;
        $given = $name->given;
        if ($given === '' && preg_match('/^(\S.*?) ((?:\p{Lu}\.? ?){1,4})$/u', $family, $cut) === 1) {
            [$family, $given] = [$cut[1], $cut[2]];
        }
        $words = preg_split(
            '/[\s\-‐–]+/u',
            self::transliterated(Words::fold(str_replace(["'", '’', '`', '.'], '', $family))),
        ) ?: [''];
        preg_match_all('/(?<![\p{L}])\p{L}/u', Words::fold($given), $initials);
        if ($given !== '' && preg_match('/^\p{Lu}{2,4}$/u', $given) === 1) {
            $initials[0] = str_split(Words::fold($given));
        }

        return [implode('', $words), (string) end($words), implode('', $initials[0])];
    }

    /** German umlauts written out are the same name as those with the dots left off. */
    private static function transliterated(string $name): string
    {
        return str_replace(['ae', 'oe', 'ue'], ['a', 'o', 'u'], $name);
    }

    private function journal(string $name): string
    {
        return $this->journals[$name] ??= $this->journalWords($name);
    }

    private function journalWords(string $name): string
    {
        if (str_contains($name, '&')) {
            $name = html_entity_decode($name, ENT_QUOTES | ENT_HTML5, 'UTF-8');
        }
        $words = array_filter(Words::of($name), fn (string $word): bool => ! isset(self::SMALL[$word]));

        return implode(' ', $words);
    }

    /** @return array{string, bool} */
    private function doi(Reference $reference): array
    {
        $doi = $reference->doi === '' ? null : Doi::normalised($reference->doi);
        if ($doi !== null) {
            return [$doi, false];
        }
        foreach ($reference->urls as $url) {
            $doi = str_contains($url, '10.') ? Doi::normalised($url) : null;
            if ($doi !== null) {
                return [$doi, true];
            }
        }
        $doi = self::doiAmongFields($reference);

        return [$doi ?? '', $doi !== null];
    }

    private static function doiAmongFields(Reference $reference): ?string
    {
        $numbers = [new SourceField('', $reference->accession), new SourceField('', $reference->id)];
        foreach ([...$numbers, ...$reference->extra] as $field) {
            $mayBe = str_contains($field->value, '10.') && ! $field->isOne(...self::RELATED);
            $doi = $mayBe ? Doi::normalised($field->value) : null;
            if ($doi !== null) {
                return $doi;
            }
        }

        return null;
    }

    /** @return list<string> */
    private function otherTitles(Reference $reference): array
    {
        $titles = [];
        foreach ($reference->extra as $field) {
            if ($field->isOne(...self::OTHER_TITLES) || in_array(strtolower($field->tag), self::OTHER_TITLES, true)) {
                $titles[] = TitleText::of($field->value)->text;
            }
        }
        // "Title [Originaltitel]"
        if (preg_match('/^(.{12,}?)\s*\[(.{12,})\]\W*$/us', $reference->title, $both) === 1) {
            array_push($titles, TitleText::of($both[1])->text, TitleText::of($both[2])->text);
        }

        return $titles;
    }

    /** @return list<int> */
    private function sentences(string $abstract): array
    {
        $hashes = [];
        foreach (
            $abstract === '' ? [] : (preg_split('/[.;:!?]\s/', strtolower(substr($abstract, 0, 6000))) ?: []) as $sentence
        ) {
            $bare = (string) preg_replace('/[^a-z0-9]+/', '', $sentence);
            if (strlen($bare) >= 20) {
                $hashes[] = crc32($bare);
            }
        }

        return array_values(array_unique($hashes));
    }

    private function genre(Reference $reference): string
    {
        $tells = fn (SourceField $field): bool => $field->isOne(...self::GENRE_FIELDS);
        $said = strtolower(implode(' ', array_column(array_filter($reference->extra, $tells), 'value')));

        return match (true) {
            preg_match('/\b(?:erratum|correction|corrigendum|retraction)\b/', $said) === 1 => 'notice',
            preg_match('/\b(?:conference abstract|meeting abstract|abst)\b/', $said) === 1 => 'abstract',
            preg_match('/\b(?:dataset|data set)\b/', $said) === 1 || $reference->type === PublicationType::RegisterEntry => 'data',
            $reference->type === PublicationType::Preprint || preg_match('/\bpreprint\b/', $said) === 1 => 'preprint',
            default => '',
        };
    }
}
