<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Bibtex;

use WaryHeron\Core\Bibliography\Doi;
use WaryHeron\Core\Bibliography\Format\UnreadableRecord;
use WaryHeron\Core\Bibliography\IssuedDate;
use WaryHeron\Core\Bibliography\Keywords;
use WaryHeron\Core\Bibliography\Pages;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Bibliography\SourceField;
use WaryHeron\Core\Bibliography\Year;

/**
 * @internal What an entry of BibTeX or BibLaTeX says of a work, field by field; what is taken is used up, the rest is
 *     left over.
 *
 * Source: the fields and entry types of BibTeX 0.99d and of the BibLaTeX 3 data model.
 */
final class BibtexWork
{
    /** Who brought a work out, where several say so in this order. */
    private const ISSUERS = ['school', 'institution', 'organization', 'howpublished', 'publisher'];

    /** As biblatex writes the places of patents. */
    private const COUNTRIES = [
        'countryde' => 'Germany',
        'countryep' => 'European Union',
        'countryeu' => 'European Union',
        'countryfr' => 'France',
        'countryuk' => 'United Kingdom',
        'countryus' => 'United States of America',
    ];

    /**
     * Fields that only BibLaTeX has: "and" then separates the parts of any list, which in BibTeX may be part of a
     * firm's name.
     */
    private const OF_BIBLATEX = ['date', 'location', 'journaltitle', 'maintitle', 'subtitle', 'langid'];

    private const DATES = ['date', 'year', 'urldate', 'eventdate', 'origdate'];

    private const READ_APART = ['author', 'editor', 'crossref', 'xdata', 'address', 'location', ...self::ISSUERS];

    /** @var array<string, string> as plain text */
    private array $fields;

    private readonly bool $isBiblatex;

    private function __construct(private readonly BibtexEntry $entry)
    {
        $plain = fn (string $value): string => trim((string) preg_replace('/\s+/u', ' ', Latex::decoded($value)));
        $this->isBiblatex = array_intersect_key($entry->fields, array_flip(self::OF_BIBLATEX)) !== [];
        // in a date the tilde means about, not a blank
        foreach (array_intersect_key($entry->fields, array_flip(self::DATES)) as $name => $value) {
            $entry->fields[$name] = (string) preg_replace('/(?<!\\\\)~/', '\\textasciitilde{}', $value);
        }
        $this->fields = array_map($plain, array_diff_key($entry->fields, array_flip(self::READ_APART)));
    }

    public static function reference(BibtexEntry $entry): Reference|UnreadableRecord
    {
        return UnreadableRecord::unlessEmpty(
            (new self($entry))->read(),
            'Add a title field, or leave the entry out.',
        );
    }

    private function read(): Reference
    {
        $type = BibtexTypes::type($this->entry->type, $this->fields['type'] ?? '');
        if (BibtexTypes::isOurs($this->fields['type'] ?? '')) {
            unset($this->fields['type']);
        }
        $titles = $this->titles();
        $date = $this->date();
        $pages = Pages::of($this->take('pages', 'eid'));
        $doi = $this->take('doi');
        $id = $this->take('id');
        $numbers = $this->numbers();
        $address = $this->published();
        $publisher = $this->publisher($address);
        $urls = $this->urls($address);
        $plain = $this->plain();

        $reference = new Reference(
            type: $type,
            title: $titles->title,
            authors: BibtexNames::read($this->entry->fields['author'] ?? ''),
            editors: BibtexNames::read($this->entry->fields['editor'] ?? ''),
            year: $date->year,
            date: $date->date,
            journal: $titles->within,
            partTitle: $titles->part,
            firstPage: $pages->first,
            lastPage: $pages->last,
            doi: Doi::named($doi, [...$urls, $this->fields['note'] ?? '', $this->fields['eprint'] ?? '']),
            urls: $urls,
            keywords: Keywords::split($this->take('keywords', 'keyword')),
            publisher: $publisher,
            place: strtr($this->listed(['address', 'location']), self::COUNTRIES),
            id: $id !== '' ? $id : $this->entry->key,
            extra: $this->leftOver($type),
            source: $this->entry->source,
            line: $this->entry->line,
        );

        return $reference->with([...$numbers, ...$plain]);
    }

    /** @return array<string, string> */
    private function numbers(): array
    {
        return [
            'volume' => implode('.', self::filled($this->take('volume'), $this->take('part'))),
            'issue' => implode(', ', self::filled($this->take('number'), $this->take('issue'))),
        ];
    }

    private function publisher(string $address): string
    {
        return $this->listed(
            $address === '' ? self::ISSUERS : array_values(array_diff(self::ISSUERS, ['howpublished'])),
        );
    }

    /** @return list<string> */
    private function urls(string $address): array
    {
        $all = "{$this->take('url')} {$address}";

        return array_values(array_unique(preg_split('/[;,]?\s+/', $all, -1, PREG_SPLIT_NO_EMPTY) ?: []));
    }

    /** @return array<string, string> */
    private function plain(): array
    {
        return [
            'journalShort' => $this->take('shortjournal'),
            'abstract' => $this->take('abstract'),
            'language' => $this->take('language', 'langid'),
            'issn' => $this->take('issn'),
            'isbn' => $this->take('isbn'),
            'accession' => $this->take('accession'),
            'series' => $this->series(),
            'edition' => $this->take('edition'),
        ];
    }

    private function titles(): BibtexTitles
    {
        $main = $this->titled('main');
        if ($this->entry->type === 'periodical') {
            return $this->titlesOfPeriodical();
        }
        $own = $this->titled('');
        $book = $this->titled('book');
        $journal = $this->titled('journal');
        $isInJournal = $journal !== '' && $this->entry->type === 'article';
        $within = $book !== '' && ! $isInJournal ? $book : $journal;
        if (BibtexTypes::isWithin($this->entry->type)) {
            return $main === '' ? new BibtexTitles($own, $within) : new BibtexTitles($own, $main, $within);
        }

        return match (true) {
            $main !== '' => new BibtexTitles($main, $within, $own),
            $own !== '' => new BibtexTitles($own, $within, $this->take('parttitle')),
            // a book that only says in which it is has that one's title
            $book !== '' => new BibtexTitles($book, $journal),
            default => new BibtexTitles($this->take('shorttitle', 'eventtitle'), $within),
        };
    }

    private function titlesOfPeriodical(): BibtexTitles
    {
        $whole = $this->titled('');
        $issue = $this->titled('issue');

        return $issue === ''
            ? new BibtexTitles($whole, $this->titled('journal'))
            : new BibtexTitles($issue, $whole);
    }

    /** "Title: subtitle. Addition" of the fields with this beginning. */
    private function titled(string $beginning): string
    {
        $title = $beginning === 'journal' ? $this->take('journal', 'journaltitle') : $this->take("{$beginning}title");
        foreach (["{$beginning}subtitle" => ': ', "{$beginning}titleaddon" => '. '] as $field => $sign) {
            $more = $title === '' ? '' : $this->take($field);
            $title .= $more === '' ? '' : (preg_match('/[.?!:]$/', $title) === 1 ? ' ' : $sign).$more;
        }

        return $title;
    }

    private function date(): BibtexDate
    {
        $year = $this->fields['year'] ?? '';
        $date = $this->take('date');
        if ($date === '') {
            unset($this->fields['year']);

            return $this->dateOfParts($year);
        }
        $known = IssuedDate::read($date)?->year() ?? (Year::of($date) ?? self::year($year));
        if ($year === (string) $known) {
            unset($this->fields['year']);
        }

        return new BibtexDate($known, $date);
    }

    private function dateOfParts(string $year): BibtexDate
    {
        $parts = self::filled($year, $this->take('month'), $this->take('day'));
        $areNumbers = count($parts) > 1 && preg_match('/^\d{4}( \d{1,2}){1,2}$/', implode(' ', $parts)) === 1;
        $date = $areNumbers
            ? implode('-', array_map(fn (string $one): string => str_pad($one, 2, '0', STR_PAD_LEFT), $parts))
            : implode(' ', $parts);

        return new BibtexDate(self::year($year), $date);
    }

    /** @return array<string> */
    private static function filled(string ...$values): array
    {
        return array_filter($values, fn (string $one): bool => $one !== '');
    }

    private static function year(string $year): ?int
    {
        return IssuedDate::read($year)?->year() ?? Year::of($year);
    }

    /** The series of a book; that of a journal which counts anew, BibLaTeX names by a key or a number. */
    private function series(): string
    {
        $series = $this->take('series');
        $isJournal = in_array($this->entry->type, ['article', 'periodical'], true);

        return match (true) {
            preg_match('/^(new|old)series$/', $series, $age) === 1 => "{$age[1]} series",
            $isJournal && preg_match('/^[1-9]\d?$/', $series) === 1 => self::ordinal((int) $series).' series',
            default => $series,
        };
    }

    private static function ordinal(int $number): string
    {
        return (string) (new \NumberFormatter('en', \NumberFormatter::ORDINAL))->format($number);
    }

    /** Where it is on the web, if that is how it was published. */
    private function published(): string
    {
        $how = trim((string) preg_replace('/\s+/u', ' ', Latex::decoded($this->entry->fields['howpublished'] ?? '')));
        $address = '~^(?:(?:available|online|retrieved)\b[\p{L} ]{0,12}:?|url:?)?\s*(https?://\S+?)[.,]?$~iu';

        return preg_match($address, $how, $found) === 1 ? $found[1] : '';
    }

    /**
     * What these fields list, by semicolons.
     *
     * @param  list<string>  $fields
     */
    private function listed(array $fields): string
    {
        $found = [];
        foreach ($fields as $field) {
            $text = $this->entry->fields[$field] ?? '';
            $found = [
                ...$found,
                ...$this->isBiblatex ? BibtexNames::list($text) : BibtexNames::list($text, '/\G(?!)/'),
            ];
        }

        return implode('; ', array_unique($found));
    }

    private function take(string ...$names): string
    {
        foreach ($names as $name) {
            $value = $this->fields[$name] ?? '';
            if ($value !== '') {
                unset($this->fields[$name]);

                return $value;
            }
        }

        return '';
    }

    /** @return list<SourceField> the entry's own type first, where ours says less */
    private function leftOver(PublicationType $type): array
    {
        $said = $this->entry->type;
        $left = $said === BibtexTypes::entry($type) ? [] : [new SourceField('entrytype', $said)];
        foreach ($this->fields as $name => $value) {
            if ($value !== '') {
                $left[] = new SourceField($name, $value);
            }
        }

        return $left;
    }
}
