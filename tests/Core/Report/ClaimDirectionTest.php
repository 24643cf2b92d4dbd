<?php

use WaryHeron\Core\Report\Document\ClaimDirection;

it('says where a claim goes the other way than all that it rests on', function (string $claim, array $quotes, bool $isContradicted) {
    expect(ClaimDirection::contradicted($claim, $quotes) !== '')->toBe($isContradicted);
})->with([
    'the other way' => ['Lamps meant fewer errors.', ['Errors were higher with lamps (12 against 7).'], true],
    'the same way in other words' => ['Lamps meant fewer errors.', ['Errors fell from 12 to 7.'], false],
    'no difference' => ['Lamps reduced errors.', ['Errors did not differ between the wards.'], true],
    'no difference, and the claim says so' => ['Errors did not differ.', ['There was no difference in errors.'], false],
    'another outcome that goes the other way' => ['Staff made fewer errors.', ['Sleepiness was higher with lamps.'], false],
    'quotes that differ' => ['Fewer errors.', ['Errors rose.', 'Errors fell.'], false],
    'one quote that speaks of it' => ['Fewer errors.', ['Errors rose.', 'The lamps were bright.'], true],
    'denied' => ['Errors were not lower.', ['Errors were higher.'], false],
    'a quote that denies' => ['Fewer errors.', ['Errors were not higher.'], false],
    'no direction' => ['Lamps were tried.', ['Errors rose.'], false],
    'no quotes' => ['Fewer errors.', [], false],
    'both ways in the claim' => ['Errors rose by day, and errors fell by night.', ['Errors rose.'], false],
    'what is only beside it' => ['Naps were longer in the lit ward.', ['Errors in the lit ward were fewer.'], false],
]);

it('says it in the words of both', function () {
    expect(ClaimDirection::contradicted('Lamps reduced errors.', ['Errors increased.']))
        ->toBe('says “reduced: errors”, and what it rests on says “increased: errors”');
});
