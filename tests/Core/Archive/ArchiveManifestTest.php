<?php

use WaryHeron\Core\Archive\ArchivedFile;
use WaryHeron\Core\Archive\ArchiveManifest;
use WaryHeron\Core\Archive\BadArchive;

/** @return array<string, mixed> a manifest as it is written, with something changed */
function manifestWith(array $changed = [], array $file = []): array
{
    $manifest = new ArchiveManifest(
        '01arz3ndektsv4rrffq69g5fav',
        'Lamps „ok" & naps',
        '2031-02-03T04:05:06Z',
        '2026_01_01_000001_start',
        true,
        [new ArchivedFile('data/records.jsonl', 12, str_repeat('a', 64), 3), new ArchivedFile('README.html', 0, str_repeat('0', 64))],
    );
    $given = json_decode($manifest->encode(), true);
    $given['files'][0] = [...$given['files'][0], ...$file];

    return [...$given, ...$changed];
}

it('says the same after it was written and read', function () {
    $read = ArchiveManifest::decode(json_encode(manifestWith()));
    expect($read->encode())->toBe(ArchiveManifest::decode($read->encode())->encode())
        ->and($read->title)->toBe('Lamps „ok" & naps')
        ->and($read->hasFullTexts)->toBeTrue()
        ->and($read->file('data/records.jsonl')?->rows)->toBe(3)
        ->and($read->file('README.html')?->rows)->toBeNull()
        ->and($read->file('data/nothing.jsonl'))->toBeNull();
});

it('refuses what is no manifest of ours, and says why', function (string $json, string $why) {
    expect(fn () => ArchiveManifest::decode($json))->toThrow(BadArchive::class, $why);
})->with([
    'nothing' => ['', 'not JSON'],
    'cut off' => [substr(json_encode(manifestWith()), 0, -3), 'not JSON'],
    'nested without end' => [str_repeat('[', 50).str_repeat(']', 50), 'not JSON'],
    'a list' => ['[]', 'something else'],
    'a word' => ['"archive"', 'something else'],
    'of another format' => [json_encode(manifestWith(['format' => 'bag'])), 'something else'],
    'of a newer release' => [json_encode(manifestWith(['version' => 2])), 'newer release'],
    'of no release' => [json_encode(manifestWith(['version' => '1'])), 'newer release'],
    'without a review' => [json_encode(manifestWith(['review' => '../x'])), 'which review'],
    'without a title' => [json_encode(manifestWith(['title' => null])), '“title”'],
    'without files' => [json_encode(manifestWith(['files' => []])), 'no files'],
    'files that are no list' => [json_encode(manifestWith(['files' => 'all'])), 'no files'],
    'a file twice' => [json_encode(manifestWith([], ['name' => 'README.html'])), 'twice'],
    'a way out' => [json_encode(manifestWith([], ['name' => '../../etc/passwd'])), 'no archive of ours'],
    'an absolute name' => [json_encode(manifestWith([], ['name' => '/tmp/x'])), 'no archive of ours'],
    'a name with a line end' => [json_encode(manifestWith([], ['name' => "data/x\n"])), 'no archive of ours'],
    'a negative size' => [json_encode(manifestWith([], ['bytes' => -1])), 'how large'],
    'a short checksum' => [json_encode(manifestWith([], ['sha256' => 'ab'])), 'how large'],
    'rows in words' => [json_encode(manifestWith([], ['rows' => 'three'])), 'how many rows'],
]);
