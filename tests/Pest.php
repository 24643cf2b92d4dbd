<?php

use App\Models\Review;
use App\Queries\Screening\PersonTallies;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Tests\Browser\Browser;
use Tests\TestCase;

uses(TestCase::class, RefreshDatabase::class)->in('Feature');

// whatever was done, what is kept of each person's work is what the rows make it
uses()
    ->afterEach(function (): void {
        if ($this->status()->isSuccess() || $this->status()->isUnknown()) {
            foreach (Review::query()->get() as $review) {
                expect(PersonTallies::wrong($review))->toBe([]);
            }
        }
    })
    ->in(...array_map(fn (string $of): string => "Feature/{$of}", [
        'Api', 'Archive', 'Deliveries', 'Drafting', 'FullTexts', 'Library', 'Matching', 'Screening', 'Team',
    ]));

// the journeys have no application of their own, but those that speak with other servers use its client, and the demo is
// looked at from within
uses(TestCase::class)->in('Browser/SruPeersTest.php', 'Browser/DemoTest.php');

uses()
    ->beforeEach(function (): void {
        if (getenv('HERON_TEST_URL') === false || getenv('HERON_TEST_URL') === '') {
            throw new RuntimeException('Browser tests need a running copy: use ./heron test --browser.');
        }
    })
    ->afterEach(function (): void {
        if (! $this->status()->isSuccess() && ! $this->status()->isUnknown()) {
            Browser::keepWhatIsShown($this->name());
            Browser::closeAll();
        }
        Browser::putAway();
    })
    ->in('Browser');
