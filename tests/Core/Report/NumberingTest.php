<?php

use WaryHeron\Core\Report\Document\Numbering;
use WaryHeron\Core\Report\Document\Schema;

// the page numbers by the same table, see tests/js/reportOutline.test.js
it('numbers figures and tables in the order of reading, each kind by itself', function () {
    $given = json_decode((string) file_get_contents(__DIR__.'/../../js/numbered.json'), true);
    $blocks = array_map(fn (string $kind, int $i): array => [
        'type' => 'liveBlock',
        'attrs' => ['id' => "b{$i}", 'kind' => $kind, 'source' => '', 'caption' => ''],
    ], $given['kinds'], array_keys($given['kinds']));
    // one of them within a quotation counts where it is read
    $content = [...array_slice($blocks, 0, 3), ['type' => 'blockquote', 'content' => [$blocks[3]]], ...array_slice($blocks, 4)];
    $numbers = Numbering::of(Schema::node(['type' => 'doc', 'content' => $content]));
    expect(array_map(fn (int $i): ?string => $numbers["b{$i}"] ?? null, array_keys($blocks)))->toBe($given['numbers']);
});
