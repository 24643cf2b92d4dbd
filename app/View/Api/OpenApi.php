<?php

declare(strict_types=1);

namespace App\View\Api;

use App\Access\TokenAbility;
use App\Queries\Api\Field;
use App\Queries\Api\Listing;
use App\Queries\Api\Listings;
use App\Queries\Api\Schema;

/** The programming interface as OpenAPI 3.1 describes it, from the same fields that give things out. */
final class OpenApi implements \JsonSerializable
{
    private const INFO = [
        'title' => 'Wary Heron',
        'version' => '1',
        'license' => ['name' => 'AGPL-3.0-or-later', 'identifier' => 'AGPL-3.0-or-later'],
        'description' => 'Everything of a review that a person may read, and delivering, deciding and coding in their name. '.
            'What blinding hides from the person is hidden from their programs.',
    ];

    private const TOKEN = [
        'type' => 'http',
        'scheme' => 'bearer',
        'description' => 'A token of one person, for one review, with abilities and an end.',
    ];

    private const ONLY_ONCE = [
        'name' => 'Idempotency-Key',
        'in' => 'header',
        'schema' => ['type' => 'string', 'maxLength' => 200],
        'description' => 'The same key with the same request is carried out once; its answer comes again for a day.',
    ];

    private const PROBLEM = [
        'description' => 'It could not be done; “detail” says why, as RFC 9457 has it.',
        'content' => ['application/problem+json' => ['schema' => ['$ref' => '#/components/schemas/Problem']]],
    ];

    public function jsonSerialize(): object
    {
        $parameters = ['review' => Parameter::path('review'), 'onlyOnce' => self::ONLY_ONCE];

        return (object) [
            'openapi' => '3.1.0',
            'info' => self::INFO,
            'servers' => [['url' => rtrim(url('/api/v1'), '/')]],
            'security' => [['token' => []]],
            'paths' => self::paths(),
            'components' => [
                'securitySchemes' => ['token' => self::TOKEN],
                'schemas' => self::schemas(),
                'parameters' => $parameters,
                'responses' => ['Problem' => self::PROBLEM],
            ],
        ];
    }

    /** @return array<string, array<string, Operation>> by address and method */
    public static function paths(): array
    {
        $paths = [...self::whole(), ...self::lists(), ...self::together(), ...self::work()];
        $paths['/reviews/{review}/deliveries']['post'] = self::delivery();

        return $paths;
    }

    /** @return array<string, Schema> by name */
    private static function schemas(): array
    {
        $schemas = [];
        foreach (Listings::all() as $name => $listing) {
            $schemas[self::schemaName($name)] = $listing->schema();
        }

        return [...$schemas, 'Problem' => self::problem()];
    }

    /** @return array<string, array<string, Operation>> */
    private static function whole(): array
    {
        $object = Schema::of('object');
        $review = Operation::read('review', 'The review, its stages and what stands at each', $object);
        $numbers = Operation::read('numbers', 'Every number of the flow and the report, as it is now', $object);
        $report = Operation::read('report', 'The report as it is written, as ProseMirror’s JSON', $object);

        return [
            '/openapi.json' => ['get' => Operation::description('This description')],
            '/reviews/{review}' => ['get' => $review],
            '/reviews/{review}/numbers' => ['get' => $numbers],
            '/reviews/{review}/report' => ['get' => $report],
        ];
    }

    /** @return array<string, array<string, Operation>> */
    private static function lists(): array
    {
        $paths = [];
        foreach (Listings::all() as $name => $listing) {
            $one = Schema::named(self::schemaName($name));
            $page = Schema::object([
                'data' => Schema::listOf($one),
                'next' => Schema::textOrNone()->described('the address of the next page'),
            ], ['data', 'next']);
            $filters = self::filters($listing);
            $paths["/reviews/{review}/{$name}"]['get'] =
                Operation::read("list-{$name}", $listing->about, $page, ...$filters);
            $paths["/reviews/{review}/{$name}/{id}"]['get'] =
                Operation::read("one-of-{$name}", "One of: {$listing->about}", $one, Parameter::path('id'));
        }

        return $paths;
    }

    /** @return array<string, array<string, Operation>> */
    private static function together(): array
    {
        $map = [Parameter::query('rows', true), Parameter::query('columns', false)];
        $file = Operation::file('The file of a copy; that it was taken is written down', Parameter::path('fullText'));

        return [
            '/reviews/{review}/tables/{table}/rows' => ['get' => Operation::read(
                'table',
                'A saved table, run on what there is now',
                self::table(),
                Parameter::path('table'),
            )],
            '/reviews/{review}/map' => ['get' => Operation::read(
                'map',
                'Studies counted by the answers to one or two items',
                self::map(),
                ...$map,
            )],
            '/reviews/{review}/full-texts/{fullText}/file' => ['get' => $file],
        ];
    }

    private static function table(): Schema
    {
        $cell = Schema::any()->with('type', ['string', 'number', 'null']);

        return Schema::object([
            'title' => Schema::text(),
            'head' => Schema::listOf(Schema::text()),
            'rows' => Schema::listOf(Schema::listOf($cell)),
        ], ['title', 'head', 'rows']);
    }

    private static function map(): Schema
    {
        $of = fn (string ...$names): Schema => Schema::listOf(Schema::object([
            ...array_fill_keys($names, Schema::text()),
            'studies' => Schema::of('integer'),
        ], [...array_values($names), 'studies']));

        return Schema::object([
            'studies' => Schema::of('integer'),
            'rows' => $of('name'),
            'columns' => $of('name'),
            'cells' => $of('row', 'column'),
        ], ['studies', 'rows', 'columns', 'cells']);
    }

    /** @return list<Parameter> */
    private static function filters(Listing $listing): array
    {
        $limit = Schema::of('integer')
            ->with('minimum', 1)
            ->with('maximum', Listing::MOST)
            ->with('default', 100)
            ->described('how many at once');
        $filters = [
            Parameter::filter('limit', $limit),
            Parameter::filter('after', Schema::text()->described('goes on after this id; “next” of a page has it')),
        ];
        foreach ($listing->filters as $name => [$field]) {
            $filters[] = Parameter::filter($name, $field->schema());
        }

        return $filters;
    }

    /** @return array<string, array<string, Operation>> */
    private static function work(): array
    {
        return [
            '/reviews/{review}/items/{item}/decision' => ['post' => self::decide(), 'delete' => self::takeBack()],
            '/reviews/{review}/publications/{publication}/answers/{code}' => ['put' => self::code()],
        ];
    }

    private static function decide(): Operation
    {
        $decided = Schema::object(
            ['decision' => Schema::named('Decisions'), 'item' => Schema::named('Items')],
            ['decision', 'item'],
        );

        return Operation::change(
            'decide',
            'Decides on an item, as its person',
            TokenAbility::Decide,
            new Content('', 'application/json', self::verdict()),
            $decided,
            '200',
            Parameter::path('item'),
        );
    }

    private static function takeBack(): Operation
    {
        return Operation::change(
            'take-back',
            'Takes back one’s decision while the item has not opened',
            TokenAbility::Decide,
            null,
            null,
            '204',
            Parameter::path('item'),
        );
    }

    private static function code(): Operation
    {
        return Operation::change(
            'answer',
            'Answers an item of the codebook for a study',
            TokenAbility::Code,
            new Content('', 'application/json', self::answer()),
            Schema::named('Answers'),
            '200',
            Parameter::path('publication'),
            Parameter::path('code'),
        );
    }

    private static function delivery(): Operation
    {
        return Operation::change(
            'deliver',
            'Delivers a file of references; it is read in the background',
            TokenAbility::Deliver,
            new Content('', 'multipart/form-data', self::file()),
            Schema::named('Deliveries'),
            '202',
        );
    }

    private static function verdict(): Schema
    {
        $answers = Schema::of('object')
            ->with('additionalProperties', Schema::any()->with('enum', ['yes', 'no', 'unclear']))
            ->described('by criterion');
        $seen = 'id of the decision of mine that was shown, empty for none: another one is then a conflict';

        return Schema::object([
            'verdict' => Field::choice(['include', 'exclude', 'unsure'], 'what is decided')->schema(),
            'criterion' => Field::text('id of the criterion that fails, of an exclusion')->schema(),
            'answers' => $answers,
            'note' => Field::text('of one’s own')->schema(),
            'seen' => Field::text($seen)->schema(),
        ], ['verdict']);
    }

    private static function answer(): Schema
    {
        $kind = 'a value where it is left out; else not reported, or does not apply';

        return Schema::object([
            'value' => Schema::any()->described('of the type of the item'),
            'kind' => Field::text($kind)->schema(),
            'note' => Field::text('of one’s own')->schema(),
            'evidence' => Schema::listOf(Schema::of('object'))->described('quote, page and place of each piece'),
            'seen' => Field::text('id of the answer that was shown, empty for none')->schema(),
            'part' => Field::text('id of the arm or site')->schema(),
        ]);
    }

    private static function file(): Schema
    {
        return Schema::object([
            'file' => Schema::text()
                ->with('contentMediaType', 'application/octet-stream')
                ->described('RIS, NBIB, BibTeX, CSL-JSON, MODS, refer, CSV, XLSX, or text of references as papers print them'),
            'source_name' => Field::text('where the records are from')->schema(),
            'source_kind' => Field::text('database where it is left out')->schema(),
            'searched_on' => Field::day('when the search was made')->schema(),
            'platform' => Field::text('by which it was searched')->schema(),
            'notes' => Field::text('of one’s own')->schema(),
        ], ['file', 'source_name', 'searched_on']);
    }

    private static function problem(): Schema
    {
        $text = Schema::text();

        return Schema::object([
            'type' => $text,
            'title' => $text,
            'status' => Schema::of('integer'),
            'detail' => $text,
            'instance' => $text,
            'errors' => Schema::of('object')->described('what is wrong, by field'),
        ], ['type', 'title', 'status', 'detail']);
    }

    private static function schemaName(string $list): string
    {
        return str_replace(' ', '', ucwords(strtr($list, '-', ' ')));
    }
}
