<?php

declare(strict_types=1);

namespace WaryHeron\Core\Vocabulary;

/**
 * The statements of a SKOS file, and the scheme they make.
 *
 * @internal
 *
 * @phpstan-type Facts array<string, list<array{type: string, value: string, lang?: string}>>
 */
final class SkosGraph
{
    private const SKOS = 'http://www.w3.org/2004/02/skos/core#';

    private const TYPE = 'http://www.w3.org/1999/02/22-rdf-syntax-ns#type';

    private const TITLES = [
        'http://purl.org/dc/terms/title',
        'http://purl.org/dc/elements/1.1/title',
        self::SKOS.'prefLabel',
    ];

    /** @var array<string, Facts> by the concept's address */
    private readonly array $concepts;

    /** @var array<string, array<string, true>> the concepts above each, told by either of two */
    private readonly array $above;

    /** @param  array<string, Facts>  $subjects  what is said of each address */
    public function __construct(private readonly array $subjects)
    {
        $this->concepts = array_filter($subjects, fn (array $facts): bool => self::isA($facts, 'Concept'));
        $above = [];
        foreach ($this->concepts as $uri => $facts) {
            foreach (self::values($facts, self::SKOS.'broader') as $broader) {
                $above[$uri][$broader] = true;
            }
            foreach (self::values($facts, self::SKOS.'narrower') as $narrower) {
                $above[$narrower][$uri] = true;
            }
        }
        $this->above = $above;
    }

    /** @throws BadScheme If a concept or a qualifier has no name. */
    public function scheme(): ConceptScheme
    {
        $made = [];
        foreach ($this->concepts as $uri => $facts) {
            $made[$uri] = $this->concept($uri, $facts);
        }
        $uri = '';
        foreach ($this->subjects as $subject => $facts) {
            $uri = self::isA($facts, 'ConceptScheme') ? $subject : $uri;
        }
        $titles = array_map(fn (string $property): string => self::one($this->subjects[$uri] ?? [], $property), self::TITLES);

        return new ConceptScheme($uri, array_values(array_filter($titles))[0] ?? '', $made);
    }

    /** @param  Facts  $facts */
    private function concept(string $uri, array $facts): Concept
    {
        $label = self::one($facts, self::SKOS.'prefLabel');
        if ($label === '') {
            throw new BadScheme("The concept {$uri} has no preferred label (skos:prefLabel).");
        }

        return new Concept(
            $uri,
            $label,
            self::all($facts, self::SKOS.'altLabel'),
            self::one($facts, self::SKOS.'scopeNote'),
            self::one($facts, self::SKOS.'definition'),
            [...self::all($facts, self::SKOS.'changeNote'), ...self::all($facts, self::SKOS.'historyNote')],
            $this->others(array_keys($this->above[$uri] ?? []), $uri),
            $this->others(self::values($facts, self::SKOS.'related'), $uri),
            array_map($this->qualifier(...), $facts[SkosReader::QUALIFIER] ?? []),
        );
    }

    /**
     * @param  list<string>  $uris
     * @return list<string> those that are concepts of this file, without the one itself
     */
    private function others(array $uris, string $self): array
    {
        return array_values(
            array_filter($uris, fn (string $other): bool => isset($this->concepts[$other]) && $other !== $self),
        );
    }

    /** @param  array{type: string, value: string, lang?: string}  $named */
    private function qualifier(array $named): string
    {
        if ($named['type'] === 'literal') {
            return $named['value'];
        }
        $label = self::one($this->subjects[$named['value']] ?? [], self::SKOS.'prefLabel');
        if ($label === '') {
            throw new BadScheme("The qualifier {$named['value']} has no preferred label.");
        }

        return $label;
    }

    /** @param  Facts  $facts */
    private static function isA(array $facts, string $type): bool
    {
        return in_array(self::SKOS.$type, self::values($facts, self::TYPE), true);
    }

    /**
     * @param  Facts  $facts
     * @return list<string>
     */
    private static function values(array $facts, string $property): array
    {
        return array_column($facts[$property] ?? [], 'value');
    }

    /** @param  Facts  $facts */
    private static function one(array $facts, string $property): string
    {
        return self::all($facts, $property)[0] ?? '';
    }

    /**
     * @param  Facts  $facts
     * @return list<string> texts in English where some are, else in any language
     */
    private static function all(array $facts, string $property): array
    {
        $texts = $english = [];
        foreach ($facts[$property] ?? [] as $value) {
            $text = trim((string) preg_replace('/\s+/u', ' ', $value['value']));
            if ($value['type'] !== 'literal' || $text === '') {
                continue;
            }
            $texts[] = $text;
            if (str_starts_with(strtolower($value['lang'] ?? 'en'), 'en')) {
                $english[] = $text;
            }
        }

        return array_values(array_unique($english ?: $texts));
    }
}
