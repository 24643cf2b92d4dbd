<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\CslJson;

use WaryHeron\Core\Bibliography\Doi;
use WaryHeron\Core\Bibliography\Format\UnreadableRecord;
use WaryHeron\Core\Bibliography\IssuedDate;
use WaryHeron\Core\Bibliography\Keywords;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\Pages;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Bibliography\SourceField;
use WaryHeron\Core\Bibliography\Year;

/** One item of CSL-JSON, from which variables are taken one by one; what nobody took is kept beside. */
final class CslJsonItem
{
    /** What our writer keeps under "custom" and a reference has a place for. */
    private const OURS = ['urls' => 1, 'date' => 1, 'accession' => 1, 'fields' => 1];

    /** @var array<mixed> */
    private readonly array $custom;

    /** @param  array<mixed>  $left */
    public function __construct(private array $left, private readonly string $source, private readonly int $line)
    {
        $this->custom = is_array($left['custom'] ?? null) ? $left['custom'] : [];
    }

    public function reference(): Reference|UnreadableRecord
    {
        $title = $this->take('title', 'title-short');
        $date = self::date($this->issued() ?? ['raw' => $this->take('issued')]);
        $type = $this->take('type');
        $known = CslTypes::type($type);
        $pages = Pages::of($this->take('page', 'page-first'));
        [$doi, $urls] = [$this->take('DOI'), $this->urls()];

        // without a type it may be any JSON
        $checked = $type === '' ? UnreadableRecord::unlessIdentified(...) : UnreadableRecord::unlessEmpty(...);

        return $checked(
            new Reference(
                ...$this->plain(),
                type: $known,
                title: $title,
                authors: $this->people('author'),
                editors: $this->people('editor'),
                year: $date->year,
                date: $this->said('date') !== '' ? $this->said('date') : $date->text,
                firstPage: $pages->first,
                lastPage: $pages->last,
                doi: Doi::named($doi, $urls),
                urls: $urls,
                keywords: $this->keywords(),
                accession: $this->said('accession'),
                extra: $this->extra($type, $known),
                source: $this->source,
                line: $this->line,
            ),
            'Give the item a "title", or leave it out.',
        );
    }

    /** The first of these variables that says something, as a text. */
    private function take(string ...$names): string
    {
        foreach ($names as $name) {
            $value = $this->left[$name] ?? null;
            unset($this->left[$name]);
            $value = is_array($value) && array_is_list($value) ? $value[0] ?? null : $value;
            if (is_scalar($value) && trim((string) $value) !== '') {
                return trim((string) $value);
            }
        }

        return '';
    }

    private function said(string $ofOurs): string
    {
        return is_string($this->custom[$ofOurs] ?? null) ? $this->custom[$ofOurs] : '';
    }

    /**
     * What a reference has as it stands in the item.
     *
     * @return array{id: string, journal: string, journalShort: string, volume: string, issue: string, abstract: string,
     *     language: string, publisher: string, place: string, issn: string, isbn: string, series: string, edition: string,
     *     partTitle: string}
     */
    private function plain(): array
    {
        return [
            'id' => $this->take('id'),
            'journal' => $this->take('container-title'),
            'journalShort' => $this->take('container-title-short', 'journalAbbreviation'),
            'volume' => $this->take('volume'),
            'issue' => $this->take('issue', 'collection-number', 'number'),
            'abstract' => $this->take('abstract'),
            'language' => $this->take('language'),
            'publisher' => $this->take('publisher'),
            'place' => $this->take('publisher-place'),
            'issn' => $this->take('ISSN'),
            'isbn' => $this->take('ISBN'),
            'series' => $this->take('collection-title'),
            'edition' => $this->take('edition'),
            'partTitle' => $this->take('volume-title'),
        ];
    }

    /** @return list<Name> */
    private function people(string $role): array
    {
        $names = is_string($this->left[$role] ?? null) ? explode(';', $this->left[$role]) : $this->left[$role] ?? [];
        unset($this->left[$role]);
        $read = array_map(
            fn (mixed $name): Name => is_array($name)
                ? self::name($name)
                : Name::inverted(is_scalar($name) ? (string) $name : ''),
            is_array($names) ? array_values($names) : [],
        );

        return array_values(array_filter($read, fn (Name $name): bool => $name->family !== ''));
    }

    /** @return list<string> */
    private function urls(): array
    {
        $others = is_array($this->custom['urls'] ?? null) ? array_filter($this->custom['urls'], is_string(...)) : [];
        $urls = [$this->take('URL'), ...array_values($others)];

        return array_values(array_filter($urls, fn (string $url): bool => $url !== ''));
    }

    /** @return list<string> */
    private function keywords(): array
    {
        $subjects = $this->left['subject'] ?? null;
        if (is_array($subjects)) {
            unset($this->left['subject']);

            return array_values(array_filter($subjects, is_string(...)));
        }

        return Keywords::split($this->take('keyword', 'keywords', 'subject'));
    }

    /** @return list<SourceField> what a reference has no place for; once all else is taken */
    private function extra(string $type, PublicationType $known): array
    {
        $fields = is_array($this->custom['fields'] ?? null) ? $this->custom['fields'] : [];
        $kept = array_values(array_filter(array_map(SourceField::fromPair(...), $fields)));
        $isSaid = $type === '' || $type === CslTypes::written($known) || CslTypes::isSaid($type, $kept);
        $extra = $isSaid ? [] : [new SourceField('type', $type)];
        // what was derived from fields that are here themselves says nothing more
        $left = array_diff_key($this->left, CslVariables::derived($kept), ['issued' => 1]);
        $left['custom'] = array_diff_key($this->custom, self::OURS);
        foreach ($left as $name => $value) {
            if ($value !== '' && $value !== [] && $value !== null) {
                $kept[] = new SourceField((string) $name, is_string($value) ? $value : self::encoded($value));
            }
        }

        return [...$extra, ...$kept];
    }

    private static function encoded(mixed $value): string
    {
        return json_encode($value, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR);
    }

    /**
     * When it came out, or else when it was printed or put online, as registers of identifiers say it.
     *
     * @return ?array<mixed>
     */
    private function issued(): ?array
    {
        foreach (['issued', 'published', 'published-print', 'published-online'] as $name) {
            if (is_array($this->left[$name] ?? null)) {
                $issued = $this->left[$name];
                unset($this->left[$name]);

                return $issued;
            }
        }

        return null;
    }

    /** @param  array<mixed>  $issued */
    private static function date(array $issued): CslDate
    {
        $parts = self::dateParts($issued);
        if ($parts !== []) {
            $season = is_scalar($issued['season'] ?? null) ? (int) $issued['season'] : 0;
            if (count($parts[0]) === 1 && $season >= 1 && $season <= 4) {
                $parts[0][] = 20 + $season;
            }

            return new CslDate(IssuedDate::written($parts, ($issued['circa'] ?? false) !== false), $parts[0][0]);
        }
        $text = $issued['raw'] ?? $issued['literal'] ?? '';
        $text = is_scalar($text) ? (string) $text : '';

        return new CslDate($text, IssuedDate::read($text)?->year() ?? Year::of($text));
    }

    /**
     * @param  array<mixed>  $issued
     * @return list<non-empty-list<int>> year, month and day of one or two days
     */
    private static function dateParts(array $issued): array
    {
        $dates = is_array($issued['date-parts'] ?? null)
            ? $issued['date-parts']
            : [[$issued['year'] ?? null, $issued['month'] ?? null, $issued['day'] ?? null]];
        $parts = [];
        foreach (array_slice(is_scalar($dates[0] ?? null) ? [$dates] : $dates, 0, 2) as $part) {
            $said = array_values(array_filter(is_array($part) ? $part : [], is_scalar(...)));
            $numbers = array_values(array_filter(array_map(intval(...), array_slice($said, 0, 3))));
            // years of four digits, as everywhere
            if ($numbers !== [] && abs($numbers[0]) <= 9999) {
                $parts[] = $numbers;
            }
        }

        return $parts;
    }

    /** @param  array<mixed>  $name */
    private static function name(array $name): Name
    {
        $part = fn (string $key): string => is_scalar($name[$key] ?? null) ? trim((string) $name[$key]) : '';
        $said = fn (string ...$parts): array => array_values(array_filter($parts, fn (string $one): bool => $one !== ''));
        if ($part('family') === '') {
            return new Name($said($part('literal'), $part('name'), $part('given'))[0] ?? '');
        }
        $family = $said($part('dropping-particle'), $part('non-dropping-particle'), $part('family'));

        return new Name(implode(' ', $family), $part('given'), $part('suffix'));
    }
}
