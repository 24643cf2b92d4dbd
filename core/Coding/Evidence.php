<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding;

use WaryHeron\Core\FullText\Selector\Selector;

/** Words that an answer rests on, and where they stand. */
final readonly class Evidence
{
    /**
     * @param  ?string  $copy  the PDF they stand in; null for the abstract
     * @param  string  $place  as a person wrote it, of evidence that came from elsewhere; else empty
     */
    public function __construct(public Selector $selector, public ?string $copy = null, public string $place = '')
    {
    }

    /** Words of the abstract, or such that were written down elsewhere. */
    public static function quoted(string $quote, string $place = '', string $prefix = '', string $suffix = ''): self
    {
        return new self(new Selector($quote, $prefix, $suffix, 0, -1, -1, []), null, $place);
    }

    /**
     * @param  array<mixed>  $kept  as toArray() gave it
     */
    public static function fromArray(array $kept): self
    {
        $text = fn (string $key): string => is_string($kept[$key] ?? null) ? $kept[$key] : '';
        $number = fn (string $key, int $else): int => is_int($kept[$key] ?? null) ? $kept[$key] : $else;
        $selector = new Selector(
            $text('quote'),
            $text('prefix'),
            $text('suffix'),
            $number('page', 0),
            $number('first', -1),
            $number('last', -1),
            self::boxes($kept['boxes'] ?? []),
        );

        return new self($selector, $text('copy') === '' ? null : $text('copy'), $text('place'));
    }

    /** @return array<string, string|int|list<array{float, float, float, float}>> */
    public function toArray(): array
    {
        $at = $this->selector;

        return [
            'quote' => $at->quote,
            'prefix' => $at->prefix,
            'suffix' => $at->suffix,
            'page' => $at->page,
            'first' => $at->first,
            'last' => $at->last,
            'boxes' => $at->boxes,
            'copy' => $this->copy ?? '',
            'place' => $this->place,
        ];
    }

    /** In words: the page, or the abstract. */
    public function whereabouts(): string
    {
        return match (true) {
            $this->selector->page > 0 => "page {$this->selector->page}",
            $this->place !== '' => $this->place,
            default => 'abstract',
        };
    }

    /**
     * As a target of the W3C Web Annotation Data Model.
     *
     * @param  string  $source  the address of the copy or of the record
     */
    public function toTarget(string $source): object
    {
        $one = $this->selector;
        $quote = array_filter([
            'type' => 'TextQuoteSelector',
            'exact' => $one->quote,
            'prefix' => $one->prefix,
            'suffix' => $one->suffix,
        ]);
        $page = [
            'type' => 'FragmentSelector',
            'conformsTo' => 'http://tools.ietf.org/rfc/rfc3778',
            'value' => "page={$one->page}",
        ];

        return (object) ['source' => $source, 'selector' => $one->page > 0 ? [$page, $quote] : [$quote]];
    }

    /** @return list<array{float, float, float, float}> */
    private static function boxes(mixed $given): array
    {
        $boxes = [];
        foreach (is_array($given) ? $given : [] as $box) {
            if (is_array($box) && count($box) === 4 && array_filter($box, is_numeric(...)) === $box) {
                [$left, $top, $right, $bottom] = array_map(floatval(...), array_values($box));
                $boxes[] = [$left, $top, $right, $bottom];
            }
        }

        return $boxes;
    }
}
