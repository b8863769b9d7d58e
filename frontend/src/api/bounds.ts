// Written from the kitchen's own description by `make openapi`; change nothing here.

/** Every value of a list, by name of the list. */
export const AIM = ["amounts", "other_pans", "bake_time"] as const;
export const ASK = ["unread", "name", "amount", "ounces", "split", "two_things"] as const;
export const BATCH_FREEDOM = ["as_it_is", "whole_eggs"] as const;
export const BATTER_START = ["start_room_c", "start_warm_c", "start_chilled_c"] as const;
export const CARD_STEP = ["heat", "in", "out"] as const;
export const CHANGE = ["added", "taken_away", "changed"] as const;
export const COMPONENT = ["batter", "inclusion", "base_layer", "top_layer", "soak", "filling", "frosting", "glaze", "coating", "decoration", "pan"] as const;
export const COOLING_WAY = ["turn_out", "turn_out_warm", "cool_in_pan", "hang"] as const;
export const COVER = ["as_recipe", "bare", "late", "whole"] as const;
export const EGG_CHOICE = ["default", "exact", "nearest", "half", "up"] as const;
export const EGG_SIZE = ["small", "medium", "large", "extra_large"] as const;
export const FINISH = ["bright", "dark", "glass", "silicone"] as const;
export const FIT_IN_PORTION = ["", "own", "small", "party", "dessert"] as const;
export const FIT_IN_START = ["room", "warm", "chilled"] as const;
export const FORMAT = ["own", "json_ld", "markdown", "csv"] as const;
export const MARK_KIND = ["amount", "unit", "ingredient", "note"] as const;
export const MARK_ROLE = ["title", "serves", "heading", "line", "step", "note", "pan", "oven", "time"] as const;
export const ORIGIN = ["given", "measured", "worked_out", "assumed"] as const;
export const OUTLINE_NAME = ["round", "square", "rectangle", "loaf", "ring", "wells", "oval", "heart", "polygon", "petal", "half_moon", "half_ball", "drawn"] as const;
export const OVEN_KIND = ["conventional", "fan", "gas", "counter", "steam", "hob"] as const;
export const PAN_KIND = ["flat", "ring", "loaf", "wells", "ball"] as const;
export const PREPARE = ["paper", "strip", "fat", "dust", "cases", "bare", "leak", "wrap"] as const;
export const RACK_PAN_OUT_KNOWN_BY = ["measures", "capacity"] as const;
export const RAISING = ["proportion", "less"] as const;
export const ROLE = ["flour", "starch", "sugar", "fat", "egg", "liquid", "dairy", "acid_dairy", "acid", "leavener", "salt", "cocoa", "chocolate", "flavour", "fruit", "nut"] as const;
export const RULE = ["keep_batch", "same_depth", "fill", "depth", "height", "grams", "servings", "eggs"] as const;
export const SCALE = ["C", "F", "mark"] as const;
export const SCALES_BY = ["batter", "base_area", "top_area", "joins", "top_and_side", "perimeter", "pieces", "servings", "fixed"] as const;
export const SCHOOL = ["same_crust", "both_ways", "as_recipe", "lower"] as const;
export const SEVERITY = ["stop", "warn", "note"] as const;
export const SIGN = ["plus", "less"] as const;
export const SIGN_KIND = ["look", "touch", "skewer", "edge", "probe", "recipe"] as const;
export const STANDING = ["low", "usual", "high", "unknown"] as const;
export const UNIT = ["g", "kg", "oz", "lb", "stick", "ml", "l", "fl oz", "pint", "quart", "cup", "tbsp", "dsp", "tsp", "pinch", "dash", "drop", "handful", "egg", "yolk", "white", "tin", "sachet", "pack", "piece"] as const;
export const VERDICT_CODE = ["does_not_fit", "over_rim", "over_limit", "too_thin", "same_depth", "deeper", "shallower", "fits"] as const;
export const WAY = ["at_once", "one_deep", "thin", "turns"] as const;

export const MOST_TAGS = 20;
export const LONGEST_TAG = 40;
export const LONGEST_TITLE = 120;
export const LONGEST_LINE = 2000;
export const LONGEST_TEXT = 60000;
export const LARGEST_FILE = 3000000;
export const MOST_KINDS = 40;
export const LONGEST_FIT_NAME = 80;
