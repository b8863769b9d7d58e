"""What is stored."""

from entremet.kitchen.models.bowls import Bowl
from entremet.kitchen.models.fits import KeptFit
from entremet.kitchen.models.ingredients import Answer, OwnIngredient, OwnWeight
from entremet.kitchen.models.kitchen import Kitchen, Oven
from entremet.kitchen.models.labels import LabelHabits, LabelPrint, PacketRow
from entremet.kitchen.models.logbook import Bake, BakePhoto, SetBack
from entremet.kitchen.models.orders import Leftover, Order, OrderCake, StockRow, TaskFix, Workday
from entremet.kitchen.models.pans import RackPan
from entremet.kitchen.models.recipes import Recipe, Revision
from entremet.kitchen.models.running import Day, Device, Tick

__all__ = ["Answer", "Bake", "BakePhoto", "Bowl", "Day", "Device", "KeptFit", "Kitchen",
           "LabelHabits", "LabelPrint", "Leftover", "Order", "OrderCake", "Oven", "OwnIngredient",
           "OwnWeight", "PacketRow", "RackPan", "Recipe", "Revision", "SetBack", "StockRow",
           "TaskFix", "Tick", "Workday"]
