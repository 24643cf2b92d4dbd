<?php

namespace Tests\Feature\Coding;

use App\Actions\Coding\ChangeCodebook;
use App\Actions\Coding\SaveAnswer;
use App\Actions\FullTexts\KeepPages;
use App\Actions\Team\CreateReview;
use App\Models\CodebookItem;
use App\Models\FullText;
use App\Models\Review;
use App\Queries\Coding\AnswerSlot;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Tests\Feature\World;
use WaryHeron\Core\Coding\AnswerKind;
use WaryHeron\Core\Coding\AskedWhen;
use WaryHeron\Core\Coding\Book\Entry;
use WaryHeron\Core\Coding\Code;
use WaryHeron\Core\Coding\CodeType;
use WaryHeron\Core\Coding\Evidence;
use WaryHeron\Core\Coding\GivenAnswer;
use WaryHeron\Core\Coding\Pass;
use WaryHeron\Standins\Locker\PlainPdf;

/** What the tests of coding begin with, and say again and again. */
final class AtTheDesk
{
    /** A review with one included publication, a copy of it and these items in the codebook. */
    public static function world(Entry ...$entries): World
    {
        $world = new World();
        $world->deliver([['TI' => 'Bed lamps', 'AB' => 'Lamps were tried.']]);
        foreach (['anna', 'ben'] as $who) {
            $world->decide($who, $world->item(), 'include');
        }
        app(ChangeCodebook::class)->addAll($world->people['lead'], $world->review, $entries);

        return $world;
    }

    public static function asked(string $label, CodeType $type = CodeType::Number, ?AskedWhen $when = null, Pass $pass = Pass::Mapping): Entry
    {
        $options = $type->hasOptions() ? ['lamp', 'lamp › desk', 'window'] : [];

        return new Entry($label, $label, new Code($type, $options), pass: $pass, when: $when);
    }

    public static function copy(World $world, string ...$lines): FullText
    {
        return self::copyOf($world, 'Bed lamps', ...$lines);
    }

    public static function copyOf(World $world, string $title, string ...$lines): FullText
    {
        $pdf = PlainPdf::of(array_map(fn (string $line): array => [12, $line], $lines));
        Storage::put(FullText::pathOf(hash('sha256', $pdf)), $pdf);
        $copy = FullText::query()->create([
            'review_id' => $world->review->id,
            'publication_id' => $world->publication($title)->id,
            'hash' => hash('sha256', $pdf),
            'name' => 'lamps.pdf',
            'bytes' => strlen($pdf),
            'pages' => 1,
            'origin' => 'person',
            'state' => 'read',
            'user_id' => $world->people['lead']->id,
        ]);
        app(KeepPages::class)->execute($copy);

        return $copy;
    }

    /** A review of somebody else’s. */
    public static function elsewhere(World $world): Review
    {
        return app(CreateReview::class)->execute($world->people['outsider'], 'Lamps by day', 'Do they?');
    }

    public static function answers(World $world, string $who, string $label, array $given): TestResponse
    {
        $code = CodebookItem::query()->where('review_id', $world->review->id)->where('label', $label)->sole();
        $publication = $world->publication('Bed lamps');

        return test()
            ->actingAs($world->people[$who])
            ->putJson("/reviews/{$world->review->id}/coding/{$publication->id}/{$code->id}", $given);
    }

    /** Four included studies, two items; Bay has answered of each but the last. */
    public static function coded(): World
    {
        $world = new World();
        $world->deliver(array_map(
            fn (string $name): array => ['TI' => "Lamps of {$name}", 'AU' => "{$name}, A"],
            ['Aster', 'Birk', 'Cole', 'Dorn'],
        ));
        foreach (range(0, 3) as $i) {
            foreach (['anna', 'ben'] as $who) {
                $world->decide($who, $world->item($i), 'include');
            }
        }
        app(ChangeCodebook::class)->addAll($world->people['lead'], $world->review, [
            self::asked('Light', CodeType::Choices),
            self::asked('Lux'),
        ]);
        $lux = ['Aster' => '900', 'Birk' => '2500', 'Cole' => '70'];
        foreach ($lux as $name => $value) {
            self::said($world, $name, 'Lux', new GivenAnswer($value, evidence: [Evidence::quoted("=at {$value} lux")]));
        }
        self::said($world, 'Aster', 'Light', new GivenAnswer(['lamp › desk']));
        self::said($world, 'Birk', 'Light', new GivenAnswer(['lamp', 'window'], fromWhole: true));
        self::said($world, 'Cole', 'Light', new GivenAnswer(null, AnswerKind::NotReported));

        return $world;
    }

    public static function said(World $world, string $name, string $label, GivenAnswer $given, string $who = 'coder'): void
    {
        $code = CodebookItem::query()->where('review_id', $world->review->id)->where('label', $label)->sole();
        app(SaveAnswer::class)->execute($world->people[$who], new AnswerSlot($world->publication("Lamps of {$name}"), $code), $given);
    }

    public static function itemOf(World $world, string $label): string
    {
        return CodebookItem::query()->where('review_id', $world->review->id)->where('label', $label)->value('id');
    }

    /** What is downloaded, however it is sent. */
    public static function bytes(TestResponse $answer): string
    {
        $response = $answer->baseResponse;

        return $response instanceof BinaryFileResponse
            ? (string) file_get_contents($response->getFile()->getPathname())
            : $answer->streamedContent();
    }
}
