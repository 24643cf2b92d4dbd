<?php

use WaryHeron\Core\Synthesis\Table\TableColumn;
use WaryHeron\Core\Synthesis\Table\TableDefinition;

it('is the same after it was kept', function () {
    $kept = [
        'columns' => ['item:a', 'outcome:b', 'theme:c'],
        'groups' => 'a',
        'sort' => 'year',
        'down' => true,
        'with' => ['a:lamp', 'b:~open'],
        'subset' => 'in-depth',
        'parts' => ['quote', 'note'],
    ];
    expect(TableDefinition::fromArray($kept)->toArray())->toBe($kept)
        ->and(TableDefinition::fromArray([])->toArray())
        ->toBe([...array_map(fn (mixed $one): mixed => is_array($one) ? [] : '', $kept), 'sort' => 'author', 'down' => false]);
});

it('leaves out what means nothing', function (array $kept, array $left) {
    expect(TableDefinition::fromArray($kept)->toArray())->toMatchArray($left);
})->with([
    'columns of no kind' => [['columns' => ['moon:a', 'item:', 'item', ':a', '', 7, ['item:a'], 'item:a', 'item:a']], ['columns' => ['item:a']]],
    'parts that there are not, in an order of their own' => [['parts' => ['note', 'x', 'quote']], ['parts' => ['quote', 'note']]],
    'no list' => [['columns' => 'item:a', 'with' => 'x', 'parts' => 7], ['columns' => [], 'with' => [], 'parts' => []]],
    'a subset that there is not' => [['subset' => 'all'], ['subset' => '']],
    'arrays for texts' => [['groups' => ['a'], 'sort' => ['b'], 'down' => ['1']], ['groups' => '', 'sort' => 'author', 'down' => false]],
    'as a form sends it' => [['down' => '1'], ['down' => true]],
]);

it('holds no more than a page can', function () {
    $many = array_map(fn (int $i): string => "item:{$i}", range(1, 500));
    $terms = TableDefinition::fromArray(['columns' => $many, 'with' => array_map(fn (int $i): string => "{$i}:x", range(1, 50))]);
    expect($terms->columns)->toHaveCount(60)
        ->and($terms->filters)->toHaveCount(12)
        ->and($terms->ids(TableColumn::ITEM)[0])->toBe('1')
        ->and($terms->has('item', '1'))->toBeTrue()
        ->and($terms->has('theme', '1'))->toBeFalse();
});
