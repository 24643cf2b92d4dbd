<?php

namespace Tests\Feature\Deliveries;

use App\Files\In\UnfinishedFiles;
use App\Models\Delivery;
use Illuminate\Support\Facades\Queue;
use Tests\Feature\World;
use WaryHeron\Core\Bibliography\Reference;

beforeEach(function (): void {
    Queue::fake();
    $this->world = new World();
    $this->delivery = $this->world->deliver(array_map(fn (int $i): array => ['TI' => "Study {$i}"], range(1, 40)));
});

/** @return list<string> the titles of a slice, after which the file is kept open or not */
function slice(UnfinishedFiles $files, Delivery $delivery, int $size, bool $keeps): array
{
    $records = $files->at($delivery);
    $titles = array_map(fn (Reference $one): string => $one->title, $records->next($size));
    $delivery->position = $records->position();
    $keeps && $files->keep($delivery, $records);

    return $titles;
}

it('reads a file in slices as at once, kept open or read again up to its place', function (array $slices): void {
    $files = new UnfinishedFiles();
    $titles = [];
    foreach ($slices as [$size, $keeps]) {
        array_push($titles, ...slice($files, $this->delivery, $size, $keeps));
    }
    expect($titles)->toBe(array_map(fn (int $i): string => "Study {$i}", range(1, 40)));
})->with([
    'at once' => [[[50, false]]],
    'kept open' => [[[13, true], [1, true], [20, true], [10, true]]],
    'by processes that know nothing of each other' => [[[13, false], [1, false], [20, false], [10, false]]],
    'by some of each' => [[[13, true], [1, false], [20, true], [3, true], [9, false]]],
]);

it('goes on in an open file, and from its beginning where that has gone too far or is read otherwise', function (): void {
    $files = new UnfinishedFiles();
    $open = $files->at($this->delivery);
    $open->next(10);
    $files->keep($this->delivery, $open);
    $this->delivery->position = 30;
    expect($files->at($this->delivery))->toBe($open)->and($open->position())->toBe(30);
    // the last batch was not kept, say because the database went away
    $files->keep($this->delivery, $open);
    $this->delivery->position = 20;
    $anew = $files->at($this->delivery);
    expect($anew)->not->toBe($open)->and($anew->next(1)[0]->title)->toBe('Study 21');
    $files->keep($this->delivery, $anew);
    $this->delivery->position = 25;
    $this->delivery->reading = ['encoding' => 'ISO-8859-1'];
    expect($files->at($this->delivery))->not->toBe($anew);
});

it('keeps four files open and no more', function (): void {
    $files = new UnfinishedFiles();
    $open = [];
    foreach (range(1, 5) as $i) {
        $delivery = $this->delivery->replicate()->forceFill(['id' => "{$i}"]);
        $files->keep($delivery, $open[$i] = $files->at($delivery));
    }
    $of = fn (int $i): object => $files->at($this->delivery->replicate()->forceFill(['id' => "{$i}"]));
    expect($of(1))->not->toBe($open[1])->and($of(2))->toBe($open[2])->and($of(5))->toBe($open[5]);
});
