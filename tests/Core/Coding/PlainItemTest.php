<?php

declare(strict_types=1);

use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\Asked\PlainItem;
use WaryHeron\Core\Coding\Lead\LeadEngine;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\FullText\Reading\Block;
use WaryHeron\Core\FullText\Reading\BlockKind;
use WaryHeron\Core\FullText\Reading\Paper;
use WaryHeron\Core\FullText\Reading\SectionKind;

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

it('reads an item of a codebook that is asked in plain words as the question that it is', function (string $question, string $value) {
    $paper = new Paper([
        new Block(BlockKind::Paragraph, 'Lamps stood on 3 wards. 238 night-shift nurses were observed; their mean age was 41 years.', 1, 'Methods', SectionKind::Methods),
    ]);
    $plain = PlainItem::of($question);
    $ofCodebook = new AskedItem('01m8g854xscmvje2wq41ts4j87', $question, $plain->type);
    $leads = (new LeadEngine())->leads([$plain, $ofCodebook], Passages::of($paper));

    expect($leads[$plain->id]->value)->toBe($value)->and($leads[$ofCodebook->id]->value)->toBe($value);
})->with([['How many nurses took part?', '238'], ['How old were they?', '41']]);
