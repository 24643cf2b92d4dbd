<?php

use WaryHeron\Core\Bibliography\Format\Bibtex\BibtexReader;
use WaryHeron\Core\Bibliography\Format\UnreadableRecord;
use WaryHeron\Core\Bibliography\Reference;

/** @return array{list<Reference>, list<UnreadableRecord>} */
function hostileBibtex(string $text): array
{
    $stream = fopen('php://memory', 'w+b');
    fwrite($stream, $text."\n@article{good, title = {Lamps}, author = {Strand, Ben}, year = 2019}\n");
    rewind($stream);
    $all = iterator_to_array((new BibtexReader())->read($stream), false);

    return [
        array_values(array_filter($all, fn ($one): bool => $one instanceof Reference)),
        array_values(array_filter($all, fn ($one): bool => $one instanceof UnreadableRecord)),
    ];
}

it('bounds what strings are put together to, and reads on', function (string $text, string $why) {
    $before = memory_get_peak_usage();
    [$read, $rejected] = hostileBibtex($text);
    expect(end($read)->title)
        ->toBe('Lamps')
        ->and($rejected)
        ->not->toBe([])
        ->and($rejected[0]->message)
        ->toContain($why);
    expect(max(0, ...array_map(fn (Reference $one): int => strlen(json_encode($one->toArray())), $read)))->toBeLessThan(
        3_000_000,
    );
    expect(memory_get_peak_usage() - $before)->toBeLessThan(150 * 1024 * 1024);
})->with([
    'strings that double' => [
        "@string{a0 = \"xxxxxxxxxx\"}\n".
        implode(
            "\n",
            array_map(fn (int $i): string => "@string{a{$i} = a".($i - 1).' # a'.($i - 1).'}', range(1, 60)),
        ).
        "\n@article{k, title = a60, year = 2001}",
        'bytes when its strings are put together',
    ],
    'a sum without end' => [
        "@string{a = \"x\"}\n@article{k, title = ".implode(' # ', array_fill(0, 200_000, 'a')).'}',
        'more than 500 pieces',
    ],
    'many large fields' => [
        '@string{a = "'.
        str_repeat('x', 200_000).
        "\"}\n@article{k, title = {T}, ".
        implode(', ', array_map(fn (int $i): string => "f{$i} = a", range(1, 400))).
        '}',
        'bytes when its strings are put together',
    ],
    'many large strings' => [
        '@string{a = "'.
        str_repeat('x', 200_000).
        "\"}\n".
        implode("\n", array_map(fn (int $i): string => "@string{b{$i} = a # \"{$i}\"}", range(1, 300))),
        'All strings together',
    ],
]);

it('hands no more down to a parent’s children than names and dates', function () {
    [$read, $rejected] = hostileBibtex(
        '@proceedings{p, title = {Meeting}, note = {'.
            str_repeat('x', 200_000).
            "}}\n".
            implode(
                "\n",
                array_map(
                    fn (int $i): string => "@inproceedings{c{$i}, title = {Talk {$i}}, crossref = {p}}",
                    range(1, 200),
                ),
            ),
    );
    expect($rejected)
        ->toHaveCount(0)
        ->and($read)
        ->toHaveCount(202)
        ->and($read[5]->journal)
        ->toBe('Meeting')
        ->and(strlen(json_encode($read[5]->toArray())))
        ->toBeLessThan(1_000);
});
