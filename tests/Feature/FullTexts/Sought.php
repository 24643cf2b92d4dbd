<?php

namespace Tests\Feature\FullTexts;

use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Tests\Feature\World;
use WaryHeron\Standins\Locker\PlainPdf;

/** What the tests of full texts begin with. */
final class Sought
{
    /** So many publications that both reviewers have included by title and abstract. */
    public static function of(int $count): World
    {
        Storage::fake();
        $world = World::readingInFull()->withCriteria();
        $world->deliver(
            array_map(
                fn (int $i): array => [
                    'TI' => 'Bright lamps and slow naps on ward '.str_repeat(chr(97 + $i), 3),
                    'DO' => "10.71000/lamps.{$i}",
                    'AU' => 'Sorlie, A'.chr(65 + $i),
                ],
                range(0, $count - 1),
            ),
        );
        foreach (range(0, $count - 1) as $i) {
            foreach (['anna', 'ben'] as $who) {
                $world->decide($who, $world->item($i), 'include');
            }
        }

        return $world;
    }

    public static function pdf(string $name, string ...$lines): UploadedFile
    {
        return UploadedFile::fake()->createWithContent(
            $name,
            PlainPdf::of(array_map(fn (string $line): array => [12, $line], $lines)),
        );
    }
}
