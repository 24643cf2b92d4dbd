<?php

declare(strict_types=1);

namespace WaryHeron\Core\Vocabulary;

use WaryHeron\Core\Text\Words;

/** A thesaurus: concepts that may have several broader ones, without circles, each preferred label once. */
final readonly class ConceptScheme
{
    /** The most places of one concept that are told. */
    private const MOST_PATHS = 50;

    /** @var array<string, list<string>> addresses right below each address */
    private array $narrower;

    /** @var array<string, string> address by folded preferred label */
    private array $labels;

    /**
     * @param  array<string, Concept>  $concepts  by address
     *
     * @throws BadScheme If it has no concepts, a label twice, or a circle.
     */
    public function __construct(public string $uri, public string $title, public array $concepts)
    {
        if ($concepts === []) {
            throw new BadScheme('There are no concepts (skos:Concept) in it.');
        }
        $labels = $narrower = [];
        foreach ($concepts as $uri => $concept) {
            $folded = self::folded($concept->label);
            if (isset($labels[$folded])) {
                throw new BadScheme(
                    "The preferred label “{$concept->label}” is given to two concepts, {$labels[$folded]} and {$uri}.",
                );
            }
            $labels[$folded] = $uri;
            foreach ($concept->broader as $above) {
                $narrower[$above][] = $uri;
            }
        }
        $this->labels = $labels;
        $this->narrower = $narrower;
        $this->refuseCircles();
    }

    public static function folded(string $label): string
    {
        return implode(' ', Words::of($label));
    }

    /** By its preferred label; upper and lower case, accents and punctuation are the same. */
    public function labelled(string $label): ?Concept
    {
        $uri = $this->labels[self::folded($label)] ?? null;

        return $uri === null ? null : $this->concepts[$uri];
    }

    /** @return list<Concept> */
    public function tops(): array
    {
        return array_values(array_filter($this->concepts, fn (Concept $concept): bool => $concept->broader === []));
    }

    /** @return array<string, non-empty-list<string>> addresses of the tops above each address */
    public function topsOfEach(): array
    {
        $tops = [];
        foreach ($this->tops() as $top) {
            foreach (array_keys($this->branch($top)) as $uri) {
                $tops[$uri][] = $top->uri;
            }
        }

        return $tops;
    }

    /**
     * The concept and all below it, each once.
     *
     * @return array<string, Concept> by address
     */
    public function branch(Concept $concept): array
    {
        $found = [];
        $open = [$concept->uri];
        while ($open !== []) {
            $uri = array_pop($open);
            if (! isset($found[$uri])) {
                $found[$uri] = $this->concepts[$uri];
                array_push($open, ...$this->narrower[$uri] ?? []);
            }
        }

        return $found;
    }

    /**
     * Every way down to the concept from a top.
     *
     * @return non-empty-list<non-empty-list<Concept>>
     */
    public function paths(Concept $concept): array
    {
        $paths = [];
        foreach ($concept->broader as $above) {
            foreach ($this->paths($this->concepts[$above]) as $path) {
                $paths[] = [...$path, $concept];
                if (count($paths) === self::MOST_PATHS) {
                    return $paths;
                }
            }
        }

        return $paths === [] ? [[$concept]] : $paths;
    }

    /**
     * Takes concepts without an open one above away until none is left (Kahn 1962); what stays is in a circle or below
     * one.
     */
    private function refuseCircles(): void
    {
        $above = array_map(fn (Concept $concept): int => count($concept->broader), $this->concepts);
        $free = array_keys($above, 0, true);
        $left = count($this->concepts);
        while ($free !== []) {
            $uri = array_pop($free);
            $left--;
            foreach ($this->narrower[$uri] ?? [] as $below) {
                if (--$above[$below] === 0) {
                    $free[] = $below;
                }
            }
        }
        if ($left > 0) {
            $caught = array_slice(
                array_map(
                    fn (string $uri): string => "“{$this->concepts[$uri]->label}”",
                    array_keys(array_filter($above)),
                ),
                0,
                3,
            );
            throw new BadScheme('Broader headings go round in a circle, at or above '.implode(', ', $caught).'.');
        }
    }
}
