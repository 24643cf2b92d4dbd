<?php

declare(strict_types=1);

use WaryHeron\Core\Coding\Lead\ItemType;
use WaryHeron\Core\Coding\Lead\PlainItem;

it('takes a plain question for an item that the readers know', function (string $question, ItemType $type, string $name) {
    $item = PlainItem::of($question);

    expect([$item->type, $item->id])->toBe([$type, $name]);
})->with([
    ['How many nurses took part?', ItemType::Number, 'participants_enrolled'],
    ['What was the sample size?', ItemType::Number, 'participants_enrolled'],
    ['How many lamps were hung?', ItemType::Number, 'asked'],
    ['How bright was the light?', ItemType::Number, 'asked'],
    ['For how long were they followed?', ItemType::Duration, 'asked'],
    ['In which country was it done?', ItemType::Country, 'asked'],
    ['Who paid for it?', ItemType::Text, 'funding'],
    ['How old were they?', ItemType::Number, 'mean age'],
    ['What do the authors warn of?', ItemType::Text, 'asked'],
]);
